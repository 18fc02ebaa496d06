<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Entity\ToolSettings;
use LucidAscent\App\Exchange\ReadDocument;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Person\PersonHistory;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Repository\AboutPerson;
use LucidAscent\App\Repository\AskedOnce;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Caution\Entry\PainTold;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** The person of a record that is in no database, read as the pages read one that is. */
final readonly class RecordedPerson
{
    public function __construct(
        private AskedOnce $asked,
        private RecordSchema $schema,
        private PersonHistory $history,
        private ReadPerson $person,
        private Wanted $wanted,
        private RecordChecks $checks,
        private ClockInterface $clock,
    ) {
    }

    /**
     * @throws InvalidValue when the record is refused whole, or its body was never measured
     */
    public function read(Fields $document): ReadDocument
    {
        try {
            $parts = RecordParts::of($document->all(), $this->schema);
        } catch (InvalidRecord $e) {
            throw InvalidValue::because('The record', 'is refused. '.$e->getMessage());
        }
        $holder = $parts->head['heldBy'];
        $names = array_column($parts->head['writtenBy'], 'name', 'id');
        $people = [];
        $by = static function (string $id) use ($names, $holder, &$people): Teacher {
            return $people[$id] ??= Teacher::claimed(
                Uuid::fromString($id),
                $names[$id] ?? $holder['name'],
                new \DateTimeImmutable('@0'),
            );
        };
        $teacher = $by($holder['id']);
        if (null !== $holder['timeZone']) {
            in_array($holder['timeZone'], \DateTimeZone::listIdentifiers(), true)
                ? $teacher->moveTo($holder['timeZone'])
                : throw InvalidValue::because('heldBy', 'has a time zone that is not known.');
        }
        $practitioner = $parts->person(Uuid::fromString($parts->head['person']['id']), $teacher);
        $now = $this->clock->now();
        $records = $parts->records($practitioner, $by, static fn (): ?object => null, $this->checks, $now);
        $tests = array_values(
            array_filter($records[Test::class] ?? [], static fn (object $one): bool => $one instanceof Test),
        );
        $this->asked->suppose(
            $practitioner,
            AboutPerson::newestFirst(
                [
                    Test::class => array_values(array_filter($tests, static fn (Test $test): bool => $test->hurts)),
                    ToolSettings::class => null === $holder['toolErrors']
                            ? []
                            : [
                                new ToolSettings(
                                    Uuid::v7(),
                                    $teacher,
                                    new \DateTimeImmutable('@0'),
                                    array_map(floatval(...), $holder['toolErrors']),
                                ),
                            ],
                ] + $records,
            ),
        );
        $pains = array_map(
            static fn (array $said): PainTold => new PainTold($said[2], $now, $now, $said[0], $said[1]),
            $parts->pains(),
        );
        $history = $this->history->supposed($practitioner, $tests)->with(...$pains);
        $poses =
            $this->person->supposed($practitioner, $history) ??
            throw InvalidValue::because('bodies', 'are none: without its lengths a height says nothing.');

        return new ReadDocument(
            $poses,
            $history,
            $this->wanted->of($practitioner),
            array_map(static fn (array $one): array => $one + ['code' => 'bad-input'], $parts->refused),
        );
    }
}
