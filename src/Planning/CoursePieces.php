<?php

declare(strict_types=1);

namespace LucidAscent\App\Planning;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\Core\Plan\PracticeLevel;

/**
 * What a day of a course begins with: something easy, what leads to the day's theme, the theme, what settles it, rest.
 * The teacher changes it as any class.
 */
final readonly class CoursePieces
{
    private const TO_BEGIN = 2;
    private const ON_THE_WAY = 4;
    private const TO_SETTLE = 2;
    /** In minutes. */
    private const EASY = 3;
    private const USUAL = 5;
    private const THEME = 10;
    private const REST = 6;
    private const LAST = 'corpse';

    public function __construct(private Catalogue $catalogue)
    {
    }

    /** @return list<array{posture: string, minutes: int}> in their order, each posture once */
    public function of(string $theme): array
    {
        $postures = $this->catalogue->all(Kind::Posture);
        $warm = array_column(
            array_filter($postures, static fn (array $one): bool => isset($one['warm_up'])),
            'id',
            'warm_up',
        );
        ksort($warm);
        $way = $this->way($theme, $postures);
        $rungs = $postures[$theme]['rungs'];
        $after = array_merge(...array_map(static fn (array $rung): array => $rung['counter'] ?? [], $rungs));
        $taken = [$theme, self::LAST, ...$way];
        $begin = array_slice(array_diff($warm, $taken), 0, self::TO_BEGIN);
        $settle = array_slice(array_diff(array_unique($after), $taken, $begin), 0, self::TO_SETTLE);
        $minutes =
            array_fill_keys($begin, self::EASY) +
            array_fill_keys($way, self::USUAL) +
            [$theme => self::THEME] +
            array_fill_keys($settle, self::EASY) +
            [self::LAST => self::REST];

        return array_map(
            static fn (string $posture, int $many): array => ['posture' => $posture, 'minutes' => $many],
            array_keys($minutes),
            $minutes,
        );
    }

    /**
     * What the theme needs comes before what only prepares it; what anybody may do stands first.
     *
     * @param array<string, array<string, mixed>> $postures
     *
     * @return list<string>
     */
    private function way(string $theme, array $postures): array
    {
        $posture = $this->catalogue->postures()[$theme];
        $leading = array_values(array_unique([...$posture->needs, ...$posture->preparedBy]));
        $way = array_slice($leading, 0, self::ON_THE_WAY);
        $level = static fn (string $id): int => PracticeLevel::place($postures[$id]['level'] ?? '');
        usort($way, static fn (string $a, string $b): int => $level($a) <=> $level($b));

        return $way;
    }
}
