<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\OtherLoad;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Plan\PractisedMinutes;
use LucidAscent\App\Repository\OutcomeRows;
use LucidAscent\App\Repository\PictureRecords;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\App\Repository\Records;
use LucidAscent\App\Repository\TestRecords;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Progress\HeightProgress;
use LucidAscent\Core\Progress\SidesApart;
use LucidAscent\Core\Progress\WeeklyLoad;
use LucidAscent\Core\Progress\WithinSession;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\SmallestChange;
use LucidAscent\Core\Testing\Tool;
use Psr\Clock\ClockInterface;
use Symfony\Contracts\Translation\TranslatorInterface;

/**
 * Everything that the page of progress shows: poses then and now, pictures of months, sides, sessions, load, and how
 * past forecasts did.
 *
 * @phpstan-import-type Practised from PractisedMinutes
 */
final readonly class ProgressPage
{
    public function __construct(
        private PictureRecords $pictureRecords,
        private TestRecords $testRecords,
        private PlanRecords $planRecords,
        private PersonProgress $progress,
        private ThenAndNow $thenAndNow,
        private Records $records,
        private OutcomeRows $kept,
        private PractisedMinutes $practised,
        private FeltMonths $felt,
        private Catalogue $catalogue,
        private ReadPerson $person,
        private ClockInterface $clock,
        private TranslatorInterface $translator,
        private RungPictures $rungPictures,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Practitioner $practitioner, ReadPoses $poses): array
    {
        $now = $practitioner->teacher->local($this->clock->now());
        $progress = $this->progress->of($practitioner, $poses);
        $logs = $this->planRecords->logs($practitioner);
        $practised = $this->practised->of($logs);
        $checks = $this->records->allChecks($practitioner);
        $sessions = array_values(
            array_unique(
                array_map(static fn (RungCheck|SessionLog $one): string => $one->practisedOn->format('Y-m-d'), [
                    ...$logs,
                    ...$checks,
                ]),
            ),
        );
        $pains = $this->pains($practitioner);
        $pictures = $this->pictureRecords->pictures($practitioner);

        return [
            'poses' => $this->thenAndNow->of($practitioner, $poses, $progress, $now),
            'charts' => $this->charts($progress, $sessions, $pains, $now),
            'heights' => $this->heights(
                $practitioner,
                $poses->person,
                $checks,
                $pictures,
                $sessions,
                $pains,
                $now,
            ),
            'load' => self::load($practised, $pains, $this->records->otherLoads($practitioner)),
            'within' => $this->within($practitioner, $logs),
            'worked' => $this->worked($progress, $practised),
            'felt' => $this->felt->of($practitioner, $poses->person->proportions),
            'pictures' => $this->pictures($pictures),
            'forecasts' => $this->forecasts($practitioner, $progress, $now),
        ];
    }

    /**
     * @param array<string, array<string, SideProgress>> $progress
     * @param list<string> $sessions
     * @param list<array{on: string, place: string, level: int, side: string}> $pains
     *
     * @return list<array<string, mixed>> by ability, those with most readings first
     */
    private function charts(array $progress, array $sessions, array $pains, \DateTimeImmutable $now): array
    {
        $charts = [];
        // All abilities are on one scale of time.
        $from = $now;
        foreach ($progress as $sides) {
            foreach ($sides as $one) {
                foreach ($one->readings as $reading) {
                    $from = min($from, $reading->on ?? $now);
                }
            }
        }
        foreach ($progress as $name => $sides) {
            $ability = Ability::from($name);
            $charts[] = [
                'ability' => $name,
                'unit' => $ability->unit(),
                'apart' => SidesApart::of(
                    $ability,
                    ($sides['left'] ?? null)->readings ?? [],
                    ($sides['right'] ?? null)->readings ?? [],
                )?->because,
                'many' => array_sum(array_map(static fn (SideProgress $one): int => count($one->readings), $sides)),
                'sides' => array_map(
                    fn (SideProgress $one): array => [
                        'progress' => $one->progress,
                        'apart' => array_map(
                            fn (string $setUp, array $by): array => [
                                'mean' => $one->progress->turn * $by['mean'],
                                'noise' => SmallestChange::between($by['sd']),
                                'than' => $this->setUp($one->progress->trend->setUp ?? ''),
                                'name' => $this->setUp($setUp),
                            ],
                            array_keys($one->progress->trend->apart ?? []),
                            $one->progress->trend->apart ?? [],
                        ),
                        'chart' => TimeChart::of(
                            array_map(
                                fn (Evidence $reading): array => [
                                    'on' => $reading->on ?? $now,
                                    'value' => $reading->value,
                                    'error' => $reading->uncertainty->readingError(),
                                    'isBound' => Bound::Exact !== $reading->bound,
                                    'test' => $this->setUp($reading->setUp()),
                                ],
                                $one->readings,
                            ),
                            $one->progress->trend,
                            $one->progress->turn,
                            array_map(
                                static fn (array $asked): array => [
                                    'asked' => $one->progress->turn * $asked['asked'],
                                ] + $asked,
                                $one->asked,
                            ),
                            $sessions,
                            self::onSide($pains, $one->side),
                            $now,
                            $from,
                        ),
                    ],
                    $sides,
                ),
            ];
        }
        usort($charts, static fn (array $a, array $b): int => $b['many'] <=> $a['many']);

        return $charts;
    }

    /**
     * Heights of props that rungs were practised on, and those that tests follow: each a series of its own.
     *
     * @param list<RungCheck> $checks
     * @param list<StoredPicture> $pictures the newest first
     * @param list<string> $sessions
     * @param list<array{on: string, place: string, level: int, side: string}> $pains
     *
     * @return list<array<string, mixed>>
     */
    private function heights(
        Practitioner $practitioner,
        Snapshot $person,
        array $checks,
        array $pictures,
        array $sessions,
        array $pains,
        \DateTimeImmutable $now,
    ): array {
        $series = [];
        foreach (array_reverse($this->records->seenRungs($practitioner)) as $seen) {
            // On a walk the joint was read; the prop is as much lower as the joint is thick.
            $rule = $this->catalogue->rung($seen->posture, $seen->rung)->prop ?? PropRule::None;
            $height = $seen->clean ? $seen->heights[$rule->carries()->value ?? ''] ?? null : null;
            if (null !== $height) {
                $series["$seen->posture/$seen->rung"][$seen->side->value][] = [
                    'on' => $practitioner->teacher->local($seen->at),
                    'value' => $height - $rule->below($person->proportions->body($seen->side)),
                    'error' => HeightProgress::ERROR,
                    'isBound' => false,
                    'test' => '',
                ];
            }
        }
        foreach (array_reverse($checks) as $check) {
            if (null !== $check->propHeight && $check->check()->isClean()) {
                $series["$check->ladder/$check->rung"][$check->side->value][] = [
                    'on' => $check->practisedOn,
                    'value' => $check->propHeight,
                    'error' => HeightProgress::ERROR,
                    'isBound' => false,
                    'test' => '',
                ];
            }
        }
        foreach (array_reverse($person->taken) as $taken) {
            $test = $this->catalogue->tests()[$taken->test] ?? null;
            $on = $taken->on;
            if (null === $on || null === $test || !$taken->isClean()) {
                continue;
            }
            foreach ($test->followed() as $number) {
                if ($taken->has($number)) {
                    $series["$taken->test/$number"][$taken->side->value][] = [
                        'on' => $on,
                        'value' => $taken->measure($number)->mean(),
                        'error' => $person->readingError($taken, $number, $test->measured[$number]),
                        'isBound' => false,
                        'test' => '',
                    ];
                }
            }
        }
        foreach (array_reverse($pictures) as $picture) {
            foreach ($this->rungPictures->ofKept($picture, $person->proportions) as $line) {
                $series["$picture->test/{$line->line->value}"][$picture->side->value ?? ''][] = [
                    'on' => $practitioner->teacher->local($picture->at),
                    'value' => $line->degrees,
                    'error' => $line->error,
                    'isBound' => false,
                    'test' => '',
                ];
            }
        }
        $charts = [];
        foreach ($series as $name => $sides) {
            $unit = $this->unitOf($name);
            $charts[] = [
                'name' => $this->nameOf($name),
                'id' => str_replace('/', '-', $name),
                'unit' => $unit,
                'sides' => array_map(
                    static function (array $readings, string $side) use ($sessions, $pains, $now, $unit): array {
                        usort($readings, static fn (array $a, array $b): int => $a['on'] <=> $b['on']);
                        $of = HeightProgress::of(
                            array_map(static fn (array $one): array => [$one['on'], $one['value']], $readings),
                            $now,
                            $unit,
                            max(array_column($readings, 'error')),
                        );

                        return [
                            'because' => $of->because,
                            'chart' => TimeChart::of(
                                $readings,
                                $of->trend,
                                1.0,
                                [],
                                $sessions,
                                self::onSide($pains, Side::from($side)),
                                $now,
                            ),
                        ];
                    },
                    $sides,
                    array_keys($sides),
                ),
                'names' => array_keys($sides),
            ];
        }

        return $charts;
    }

    /** A line of a picture is an angle, a number of a test what the test has; everything else is a height or a gap. */
    private function unitOf(string $series): string
    {
        [$of, $part] = explode('/', $series);

        return 2 === substr_count($series, '/')
            ? 'degrees'
            : $this->catalogue->tests()[$of]->measured[$part] ?? 'cm';
    }

    /** Of a rung, of a line on its pictures, or of a number of a test: "posture/rung/line", "test/number". */
    private function nameOf(string $series): string
    {
        [$of, $part] = explode('/', $series);
        $line = explode('/', $series)[2] ?? null;
        $test = $this->catalogue->entry(Kind::Test, $of);
        $name = null === $test
            ? $this->catalogue->named("$of/$part")['name'] ?? $part
            : array_column($test['measured'], 'label', 'name')[$part] ?? $part;

        return implode(', ', [
            $test['name'] ?? $this->catalogue->names(Kind::Posture)[$of] ?? $of,
            lcfirst($name),
            ...null === $line
                ? []
                : [lcfirst($this->translator->trans('picture.line.of', ['line' => str_replace('-', '_', $line)]))],
        ]);
    }

    /**
     * @param list<Practised> $practised
     * @param list<array{on: string, place: string, level: int, side: string}> $pains
     * @param list<OtherLoad> $elsewhere
     *
     * @return array{weeks: list<array{monday: \DateTimeImmutable, minutes: float, jump: float|null, elsewhere: int,
     *     pains: list<array{on: string, place: string, level: int, side: string}>}>, most: float}
     */
    private static function load(array $practised, array $pains, array $elsewhere): array
    {
        $deep = [
            ...array_values(array_filter($practised, static fn (array $one): bool => $one['isDeep'])),
            ...array_map(
                static fn (OtherLoad $one): array => [
                    'on' => $one->doneOn->format('Y-m-d'),
                    'minutes' => (float) $one->minutes,
                ],
                array_values(array_filter($elsewhere, static fn (OtherLoad $one): bool => $one->what->isDeep())),
            ),
        ];
        $weeks = array_map(
            static fn (array $week): array => $week + [
                'elsewhere' => array_sum(
                    array_map(
                        static fn (OtherLoad $one): int => $one->doneOn->format('Y-m-d')
                            >= $week['monday']->format('Y-m-d')
                            && $one->doneOn->format('Y-m-d')
                            < $week['monday']->modify('+7 days')->format('Y-m-d')
                                ? $one->minutes
                                : 0,
                        $elsewhere,
                    ),
                ),
                'pains' => array_values(
                    array_filter(
                        $pains,
                        static fn (array $one): bool => $one['on'] >= $week['monday']->format('Y-m-d')
                            && $one['on'] < $week['monday']->modify('+7 days')->format('Y-m-d'),
                    ),
                ),
            ],
            WeeklyLoad::of(
                array_map(
                    static fn (array $one): array => [new \DateTimeImmutable($one['on']), $one['minutes']],
                    $deep,
                ),
            )->weeks,
        );

        return ['weeks' => $weeks, 'most' => max([1.0, ...array_column($weeks, 'minutes')])];
    }

    /** @param list<SessionLog> $logs */
    private function within(Practitioner $practitioner, array $logs): ?WithinSession
    {
        $both = [];
        foreach ($logs as $log) {
            if (null !== $log->numberBefore && null !== $log->numberAfter) {
                $both[] = [$log->numberBefore, $log->numberAfter];
            }
        }

        return WithinSession::of($both, $this->testRecords->toolErrorsFor($practitioner)->sd(Tool::Tape, 'cm'));
    }

    /**
     * @param array<string, array<string, SideProgress>> $progress
     * @param list<Practised> $practised
     *
     * @return list<array<string, mixed>>
     */
    private function worked(array $progress, array $practised): array
    {
        $worked = new Worked($this->catalogue);
        $of = static fn (string $side): array => array_merge(
            ...array_values(
                array_map(static fn (array $sides): array => ($sides[$side] ?? null)->readings ?? [], $progress),
            ),
        );
        $worked->add(['left' => $of('left'), 'right' => $of('right')], $practised);

        return $worked->all();
    }

    /**
     * @param array<string, array<string, SideProgress>> $progress
     *
     * @return array{all: list<array<string, mixed>>, over: int, within: int}
     */
    private function forecasts(Practitioner $practitioner, array $progress, \DateTimeImmutable $now): array
    {
        $all = array_map(
            fn (array $one): array => $one + [
                'name' => $this->catalogue->names(Kind::Posture)[$one['posture']] ?? $one['posture'],
                'unit' => Ability::from($one['ability'])->unit(),
                'outcome' => $one['forecast']->outcome(
                    PersonProgress::exact($progress[$one['ability']][$one['side']] ?? null),
                    $now,
                ),
            ],
            $this->kept->forecasts($practitioner),
        );
        $over = array_filter($all, static fn (array $one): bool => null !== $one['outcome']);

        return [
            'all' => array_reverse($all),
            'over' => count($over),
            'within' => count(
                array_filter($over, static fn (array $one): bool => 'within' === $one['outcome']->value),
            ),
        ];
    }

    /**
     * The first and the last picture of each test and rung of which there are two.
     *
     * @param list<StoredPicture> $pictures the newest first
     *
     * @return list<array{test: string, first: StoredPicture, last: StoredPicture}>
     */
    private function pictures(array $pictures): array
    {
        $by = [];
        foreach (array_reverse($pictures) as $picture) {
            if (StoredPicture::QUESTION !== $picture->test) {
                // Of a rung those of one side, taken from one side, are held against each other.
                $by["$picture->test {$picture->side?->value} {$picture->view?->value}"][] = $picture;
            }
        }

        return array_map(
            fn (array $of): array => [
                'test' => str_contains($of[0]->test, '/')
                    ? $this->nameOf($of[0]->test)
                    : $this->catalogue->names(Kind::Test)[$of[0]->test] ?? $of[0]->test,
                'first' => $of[0],
                'last' => $of[count($of) - 1],
            ],
            array_values(array_filter($by, static fn (array $of): bool => count($of) > 1)),
        );
    }

    /** @return list<array{on: string, place: string, level: int, side: string}> the earliest first */
    private function pains(Practitioner $practitioner): array
    {
        $pains = array_map(
            static fn (PainTold $told): array => [
                'on' => $told->on->format('Y-m-d'),
                'place' => $told->pain->place->value,
                'level' => $told->pain->level,
                'side' => $told->side->value ?? '',
            ],
            $this->person->pains($practitioner),
        );
        usort($pains, static fn (array $a, array $b): int => $a['on'] <=> $b['on']);

        return $pains;
    }

    /**
     * @param list<array{on: string, place: string, level: int, side: string}> $pains
     *
     * @return list<array{on: string, place: string, level: int, side: string}>
     */
    private static function onSide(array $pains, Side $side): array
    {
        return array_values(
            array_filter(
                $pains,
                static fn (array $one): bool => '' === $one['side'] || $one['side'] === $side->value,
            ),
        );
    }

    /** A test by its name, with its tool and whether warm; of what was seen, the rung. */
    private function setUp(string $setUp): string
    {
        $words = explode(' ', $setUp);
        $test = $this->catalogue->tests()[$words[0]] ?? null;
        if (null !== $test) {
            $warm = $words[2] ?? '';

            return '' === $warm
                ? $test->name
                : $this->translator->trans('progress.by_test', ['test' => $test->name, 'warm' => $warm]);
        }
        [, $posture, $rung] = $words + [1 => '', 2 => ''];

        return implode(
            ', ',
            array_filter(
                [
                    $this->catalogue->names(Kind::Posture)[$posture] ?? $setUp,
                    lcfirst($this->catalogue->named("$posture/$rung")['name'] ?? ''),
                ],
                static fn (string $part): bool => '' !== $part,
            ),
        );
    }
}
