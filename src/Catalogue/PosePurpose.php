<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Plan\PracticeLevel;
use LucidAscent\Core\Posture\Purpose;

/** What poses are good for, and what nobody needs them for. */
final readonly class PosePurpose
{
    /** So many that serve a purpose better are named. */
    private const NAMED = 3;
    /** Who may try what is named. */
    private const LEVELS = [PracticeLevel::Anyone->value, PracticeLevel::TeacherFirst->value];

    public function __construct(private Catalogue $catalogue)
    {
    }

    /** Whether a posture, or a form of it, is for something. */
    public function serves(string $posture, Purpose $purpose): bool
    {
        return Library::suits($this->catalogue->entry(Kind::Posture, $posture) ?? [], $purpose->value, '', '', '');
    }

    /** @return list<string> ids of postures that are for something, the easiest first */
    public function serving(Purpose $purpose): array
    {
        $found = array_filter(
            $this->catalogue->all(Kind::Posture),
            static fn (array $posture): bool => in_array($purpose->value, $posture['purposes'] ?? [], true)
                && in_array($posture['level'] ?? '', self::LEVELS, true),
        );
        uasort(
            $found,
            static fn (array $a, array $b): int => [PracticeLevel::place($a['level']), $a['name']] <=> [
                PracticeLevel::place($b['level']),
                $b['name'],
            ],
        );

        return array_slice(array_column($found, 'id'), 0, self::NAMED);
    }

    /** Whether the full form of a posture, or a form of it, is more than most people need. */
    public function isForShow(string $posture, string $rung): bool
    {
        $entry = $this->catalogue->entry(Kind::Posture, $posture) ?? [];
        $rungs = $entry['rungs'] ?? [];

        return ([] !== $rungs
            && $rung === $rungs[count($rungs) - 1]['id']
            && in_array(Purpose::Show->value, $entry['purposes'] ?? [], true))
            || Purpose::Show->value === ($this->catalogue->named("$posture/$rung")['purpose'] ?? null);
    }
}
