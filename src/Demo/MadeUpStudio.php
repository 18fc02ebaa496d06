<?php

declare(strict_types=1);

namespace LucidAscent\App\Demo;

/**
 * Six people of a studio that does not exist: what is true of each, and what has happened in half a year.
 * Angles in degrees, lengths in cm, days counted back from today.
 *
 * Assessed: days ago, and by how much every angle was less than it is now. Practised: ladder, side, rung, days ago.
 * Walked: ladder, side, rung, days ago, clean. Hurt: days ago, side, level, place, kind. Lifted: days ago.
 *
 * @phpstan-type Hurt array{int, string, int, string, string}
 * @phpstan-type Practice array{plan: array{int, int, string, non-empty-list<int>}|null, words: array<int, string>}
 * @phpstan-type Person array{name: string, stature: float, lengths: array<string, float>, left: array<string, float>,
 *     right: array<string, float>, wanted: list<string>, note: string, conditions: list<string>,
 *     assessed: non-empty-list<array{int, float}>,
 *     practised: list<array{string, string, string, non-empty-list<int>}>,
 *     walked: list<array{string, string, string, int, bool}>, hurt: Hurt|null, lifted: int|null}
 */
final class MadeUpStudio
{
    /**
     * What they have practised since: days ago, minutes, school and weekdays of a plan, and what they say from home, by
     * days ago.
     */
    private const PRACTICE = [
        'Maren Tolvik' => [
            'plan' => [25, 45, 'working-muscle', [1, 3, 5]],
            'words' => [
                2 => 'The left side felt freer than last week. May I hold the seated form longer?',
                9 => 'Slept well after the session.',
            ],
        ],
        'Jonas Erlesand' => ['plan' => [10, 30, 'long-still', [2, 4, 6]], 'words' => []],
        'Ebba Lindqvar' => ['plan' => [5, 30, 'long-still', [1, 4]], 'words' => []],
    ];

    /** What both sides can do unless a person says otherwise. */
    private const USUAL = [
        'flexion' => 118.0,
        'abduction' => 60.0,
        'rotation' => 72.0,
        'kneeFlexion' => 148.0,
        'internal-rotation' => 34.0,
        'hamstrings' => 78.0,
        'quadriceps' => 148.0,
        'extension' => 14.0,
        'balance' => 24.0,
    ];

    /** @return Practice */
    public static function practice(string $name): array
    {
        return self::PRACTICE[$name] ?? ['plan' => null, 'words' => []];
    }

    /**
     * @return list<Person>
     */
    public static function people(): array
    {
        return [
            self::person(
                'Maren Tolvik',
                168.0,
                [
                    'thigh.left' => 41.0,
                    'thigh.right' => 41.2,
                    'shin.left' => 40.6,
                    'shin.right' => 40.8,
                    'hipSpacing' => 17.2,
                    'kneelingHands' => 32.5,
                ],
                [
                    'rotation' => 104.0,
                    'abduction' => 66.0,
                    'flexion' => 128.0,
                    'hamstrings' => 96.0,
                    'kneeFlexion' => 154.0,
                    'quadriceps' => 154.0,
                ],
                [
                    'rotation' => 99.0,
                    'abduction' => 65.0,
                    'flexion' => 126.0,
                    'hamstrings' => 94.0,
                    'kneeFlexion' => 154.0,
                    'quadriceps' => 154.0,
                ],
                ['half-lotus', 'lotus'],
                'Has danced; sits on the floor at home.',
                [],
                [[160, 6.0], [131, 5.2], [103, 3.9], [82, 3.0], [54, 1.8], [33, 0.9], [12, 0.0]],
                [
                    ['half-lotus', 'left', 'easy-cross-leg', [70, 66, 62]],
                    ['half-lotus', 'right', 'easy-cross-leg', [70, 66, 62]],
                    ['half-lotus', 'left', 'mid-thigh-on-block', [24, 20, 16]],
                    ['half-lotus', 'right', 'mid-thigh-on-block', [24, 20]],
                ],
                [
                    ['half-lotus', 'left', 'hip-circle', 12, true],
                    ['half-lotus', 'right', 'hip-circle', 12, true],
                    ['half-lotus', 'left', 'lying-half-lotus', 12, true],
                ],
            ),
            self::person(
                'Jonas Erlesand',
                181.0,
                ['thigh.left' => 44.5, 'thigh.right' => 44.5, 'shin.left' => 45.6, 'shin.right' => 45.4],
                ['rotation' => 83.0, 'hamstrings' => 72.0, 'internal-rotation' => 32.0],
                ['rotation' => 58.0, 'hamstrings' => 70.0, 'internal-rotation' => 38.0, 'balance' => 18.0],
                ['half-lotus', 'pigeon', 'soles-together'],
                'Cycles to work; the right hip feels shorter after long rides.',
                [],
                [[140, 5.0], [11, 0.0]],
                [['pigeon', 'left', 'wall', [40, 36, 33]], ['pigeon', 'right', 'lying', [40, 36, 33]]],
                [
                    ['pigeon', 'left', 'lying', 11, true],
                    ['pigeon', 'right', 'lying', 11, true],
                    ['pigeon', 'right', 'wall', 11, false],
                ],
            ),
            self::person(
                'Petra Quillmann',
                163.0,
                [],
                ['rotation' => 78.0],
                ['rotation' => 76.0],
                ['lotus'],
                'The right knee since a walk downhill.',
                [],
                [[120, 3.0], [12, 0.0]],
                [['half-lotus', 'left', 'lying-knee-drops', [90, 86, 83]]],
                [],
                [12, 'right', 3, 'knee', 'ache'],
            ),
            self::person(
                'Aksel Fjellgard',
                176.0,
                ['thigh.left' => 43.1, 'thigh.right' => 43.0, 'shin.left' => 43.4, 'shin.right' => 43.6],
                ['hamstrings' => 58.0, 'rotation' => 68.0, 'flexion' => 112.0],
                ['hamstrings' => 61.0, 'rotation' => 70.0, 'flexion' => 113.0],
                ['leg-behind-head', 'seated-hamstring'],
                'Runs; wants the leg behind the head one day.',
                ['high-blood-pressure'],
                [[95, 4.0], [20, 0.0]],
                [
                    ['half-lotus', 'left', 'lying-figure-four', [40, 36, 32]],
                    ['half-lotus', 'right', 'lying-figure-four', [40, 36, 32]],
                ],
                [],
            ),
            self::person(
                'Runa Kvistad',
                171.0,
                ['shin.left' => 42.2, 'shin.right' => 42.1],
                ['rotation' => 88.0, 'abduction' => 62.0],
                ['rotation' => 86.0, 'abduction' => 61.0],
                ['half-lotus', 'shins-stacked'],
                'Back after a sore left knee; cleared in writing.',
                [],
                [[130, 2.0], [28, 0.0]],
                [
                    ['half-lotus', 'left', 'lying-knee-drops', [24, 21, 17]],
                    ['half-lotus', 'right', 'lying-knee-drops', [24, 21, 17]],
                ],
                [['half-lotus', 'right', 'hip-circle', 9, true]],
                [110, 'left', 4, 'knee', 'ache'],
                60,
            ),
            self::person(
                'Ebba Lindqvar',
                159.0,
                ['thigh.left' => 38.9, 'thigh.right' => 38.9],
                ['abduction' => 48.0, 'rotation' => 66.0],
                ['abduction' => 47.0, 'rotation' => 67.0],
                ['soles-together', 'deep-squat'],
                'New; sits at a desk all day.',
                [],
                [[6, 0.0]],
                [],
                [],
            ),
        ];
    }

    /**
     * @param array<string, float> $lengths
     * @param array<string, float> $left
     * @param array<string, float> $right
     * @param list<string> $wanted
     * @param list<string> $conditions
     * @param non-empty-list<array{int, float}> $assessed
     * @param list<array{string, string, string, non-empty-list<int>}> $practised
     * @param list<array{string, string, string, int, bool}> $walked
     * @param Hurt|null $hurt
     *
     * @return Person
     */
    private static function person(
        string $name,
        float $stature,
        array $lengths,
        array $left,
        array $right,
        array $wanted,
        string $note,
        array $conditions,
        array $assessed,
        array $practised,
        array $walked,
        ?array $hurt = null,
        ?int $lifted = null,
    ): array {
        return [
            'name' => $name,
            'stature' => $stature,
            'lengths' => $lengths,
            'left' => $left + self::USUAL,
            'right' => $right + self::USUAL,
            'wanted' => $wanted,
            'note' => $note,
            'conditions' => $conditions,
            'assessed' => $assessed,
            'practised' => $practised,
            'walked' => $walked,
            'hurt' => $hurt,
            'lifted' => $lifted,
        ];
    }
}
