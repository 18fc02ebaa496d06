<?php

declare(strict_types=1);

namespace LucidAscent\App\Demo;

/**
 * Eight people of a studio that does not exist: what is true of each, and what has happened in up to two years.
 * Angles in degrees, lengths in cm, days counted back from today.
 *
 * Assessed: days ago, and by how much what gains most was less than it is now. Practised: ladder, side, rung, days ago.
 * Walked: ladder, side, rung, days ago, clean. Hurt: days ago, side, level, place, kind.
 * Planned: days ago, weeks, minutes, school, weekdays, sessions that were not clean, by their number, and the session
 * after which something hurt, with what: number, side, level, place, kind.
 * Words from home, measurements from home and pictures: by days ago.
 *
 * @phpstan-type Hurt array{int, string, int, string, string}
 * @phpstan-type Planned array{ago: int, weeks: int, minutes: int, school: string, days: non-empty-list<int>,
 *     unclean: list<int>, hurt: Hurt|null, cleared: int|null}
 * @phpstan-type Practice array{plans: list<Planned>, words: array<int, string>, home: list<int>, pictures: list<int>}
 * @phpstan-type Person array{name: string, stature: float, lengths: array<string, float>, left: array<string, float>,
 *     right: array<string, float>, wanted: list<string>, note: string, conditions: list<string>,
 *     assessed: non-empty-list<array{int, float}>,
 *     practised: list<array{string, string, string, non-empty-list<int>}>,
 *     walked: list<array{string, string, string, int, bool}>, hurt: Hurt|null, practice: Practice}
 */
final class MadeUpStudio
{
    /** Who came to which class: days ago, name, place, and postures with their minutes. */
    public const CLASSES = [
        [20, 'Hips on Monday', 'Small hall', ['soles-together' => 6, 'pigeon' => 10, 'half-lotus' => 8]],
        [6, 'Hips on Monday', 'Small hall', ['knee-hug' => 4, 'pigeon' => 10, 'shins-stacked' => 8]],
        [-1, 'Hips on Monday', 'Small hall', ['soles-together' => 6, 'pigeon' => 10, 'half-lotus' => 8]],
    ];

    /** What they have practised since, and what they send from home. */
    private const PRACTICE = [
        'Maren Tolvik' => [
            'plans' => [
                ['ago' => 329, 'weeks' => 6, 'minutes' => 45, 'school' => 'counted-breath', 'days' => [1, 4]],
                ['ago' => 25, 'weeks' => 8, 'minutes' => 45, 'school' => 'working-muscle', 'days' => [1, 3, 5]],
            ],
            'words' => [
                2 => 'The left side felt freer than last week. May I hold the seated form longer?',
                9 => 'Slept well after the session.',
            ],
            'pictures' => [368, 131, 12],
        ],
        'Jonas Erlesand' => [
            'plans' => [
                ['ago' => 158, 'weeks' => 6, 'minutes' => 30, 'school' => 'counted-breath', 'days' => [2, 6],
                    'unclean' => [6, 7, 8]],
                ['ago' => 10, 'weeks' => 8, 'minutes' => 30, 'school' => 'long-still', 'days' => [2, 4, 6]],
            ],
            'words' => [4 => 'Rode 80 km on Saturday. The right hip was stiff all Sunday.'],
        ],
        'Runa Kvistad' => [
            'plans' => [
                ['ago' => 129, 'weeks' => 6, 'minutes' => 30, 'school' => 'counted-breath', 'days' => [1, 4],
                    'hurt' => [4, 'left', 4, 'knee', 'ache'], 'cleared' => 60],
                ['ago' => 27, 'weeks' => 6, 'minutes' => 30, 'school' => 'long-still', 'days' => [1, 4]],
            ],
            'words' => [],
        ],
        'Ebba Lindqvar' => [
            'plans' => [['ago' => 5, 'weeks' => 8, 'minutes' => 30, 'school' => 'long-still', 'days' => [1, 4]]],
        ],
        'Tjark Holmvik' => [
            'plans' => [
                ['ago' => 53, 'weeks' => 8, 'minutes' => 60, 'school' => 'counted-breath', 'days' => [2, 5]],
            ],
            'words' => [1 => 'Sat with the shins stacked for the whole breathing practice.'],
            'pictures' => [394, 54],
        ],
        'Sive Aurnes' => [
            'plans' => [
                ['ago' => 38, 'weeks' => 8, 'minutes' => 45, 'school' => 'long-still', 'days' => [3, 6]],
            ],
            'home' => [30, 20, 9, 1],
        ],
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
        'spine-rotation' => 46.0,
    ];

    /** @return Practice */
    private static function practice(string $name): array
    {
        $practice = (self::PRACTICE[$name] ?? []) + ['plans' => [], 'words' => [], 'home' => [], 'pictures' => []];

        return [
            'plans' => array_values(
                array_map(
                    static fn (array $plan): array => $plan + ['unclean' => [], 'hurt' => null, 'cleared' => null],
                    $practice['plans'],
                ),
            ),
        ] + $practice;
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
                [
                    [421, 9.0],
                    [368, 8.2],
                    [330, 7.4],
                    [215, 5.2],
                    [160, 4.4],
                    [131, 3.8],
                    [82, 2.4],
                    [54, 1.5],
                    [12, 0.0],
                ],
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
                [[372, 7.0], [300, 4.0], [221, 0.4], [159, 0.1], [80, 0.2], [11, 0.0]],
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
                [[377, 8.0], [250, 5.1], [120, 2.4], [12, 0.0]],
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
                [[365, 11.0], [230, 6.7], [95, 2.6], [20, 0.0]],
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
                [[402, 6.0], [260, 4.1], [130, 2.0], [58, 1.0], [28, 0.0]],
                [
                    ['half-lotus', 'left', 'lying-knee-drops', [24, 21, 17]],
                    ['half-lotus', 'right', 'lying-knee-drops', [24, 21, 17]],
                ],
                [['half-lotus', 'right', 'hip-circle', 9, true]],
            ),
            self::person(
                'Tjark Holmvik',
                179.0,
                ['thigh.left' => 44.0, 'thigh.right' => 44.1, 'shin.left' => 44.2, 'shin.right' => 44.0],
                [
                    'rotation' => 116.0,
                    'abduction' => 66.0,
                    'kneeFlexion' => 157.0,
                    'quadriceps' => 157.0,
                    'flexion' => 124.0,
                    'hamstrings' => 88.0,
                    'extension' => 26.0,
                ],
                [
                    'rotation' => 115.0,
                    'abduction' => 66.0,
                    'kneeFlexion' => 157.0,
                    'quadriceps' => 157.0,
                    'flexion' => 124.0,
                    'hamstrings' => 87.0,
                    'extension' => 24.0,
                ],
                ['shins-stacked', 'half-lotus'],
                'Sits for an hour of breathing practice each morning.',
                [],
                [[640, 27.0], [547, 21.5], [460, 16.2], [394, 12.0], [301, 6.6], [212, 3.0], [54, 0.0]],
                [
                    ['shins-stacked', 'left', 'seat', [212, 209, 205]],
                    ['shins-stacked', 'right', 'seat', [212, 209, 205]],
                ],
                [
                    ['shins-stacked', 'left', 'filled', 54, true],
                    ['shins-stacked', 'right', 'filled', 54, true],
                    ['shins-stacked', 'left', 'seat', 54, true],
                    ['shins-stacked', 'right', 'seat', 54, true],
                    ['shins-stacked', 'left', 'level', 54, true],
                    ['shins-stacked', 'right', 'level', 54, true],
                ],
            ),
            self::person(
                'Sive Aurnes',
                165.0,
                ['thigh.left' => 40.1, 'thigh.right' => 40.1, 'shin.left' => 39.6, 'shin.right' => 39.8],
                ['flexion' => 130.0, 'hamstrings' => 104.0, 'rotation' => 92.0],
                ['flexion' => 131.0, 'hamstrings' => 106.0, 'rotation' => 95.0],
                ['leg-behind-head', 'splits'],
                'Climbs; trains twice a week.',
                [],
                [[388, 10.0], [260, 6.4], [121, 2.6], [39, 0.0]],
                [],
                [],
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
            'practice' => self::practice($name),
        ];
    }
}
