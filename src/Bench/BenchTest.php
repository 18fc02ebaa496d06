<?php

declare(strict_types=1);

namespace LucidAscent\App\Bench;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Testing\TestDefinition;

/** A test of the catalogue as it stands on the bench: its texts, its rules, and its fields. */
final readonly class BenchTest
{
    /** @var list<BenchField> in the order in which they are filled in */
    public array $fields;

    /** @param array<string, mixed> $entry as written in the catalogue */
    public function __construct(public array $entry, public TestDefinition $definition)
    {
        $fields = [];
        $measured = $entry['measured'];
        $formula = $this->definition->formula;
        if ($formula->takesAngle() && !isset($this->definition->measured['angle'])) {
            $measured[] = ['name' => 'angle', 'label' => 'bench.angle', 'unit' => 'degrees'];
        }
        $needed = $this->definition->required();
        foreach ($measured as $measure) {
            $isShared = false === $entry['both_sides'] || true === ($measure['shared'] ?? false);
            foreach ($isShared ? [null] : Side::cases() as $side) {
                $fields[] = new BenchField(
                    $measure['name'],
                    $measure['label'],
                    $measure['unit'],
                    $side,
                    in_array($measure['name'], $needed, true),
                );
            }
        }
        $this->fields = $fields;
    }

    public function id(): string
    {
        return $this->definition->id;
    }

    public function mostTrials(): int
    {
        return $this->entry['trials']['most'];
    }

    public function leastTrials(): int
    {
        return $this->definition->leastTrials;
    }

    /** Whether a length is read at all, so that it can be in inches, and off a picture. */
    public function hasLength(): bool
    {
        return in_array('cm', $this->definition->measured, true);
    }

    public function hasAngle(): bool
    {
        return [] !== array_filter($this->fields, static fn (BenchField $field): bool => 'degrees' === $field->unit);
    }

    /** Whether somebody can say that the leg came to rest. */
    public function mayRest(): bool
    {
        return $this->definition->formula->mayRest();
    }

    /** @return list<BenchField> */
    public function fieldsOf(Side $side): array
    {
        return array_values(array_filter($this->fields, static fn (BenchField $field): bool => $field->isFor($side)));
    }
}
