<?php

declare(strict_types=1);

namespace LucidAscent\App\Planning;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Text\ReasonText;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\Instead;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Stage;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\PropHeights;
use LucidAscent\Core\Readiness\ReadPoses;

/**
 * A sequence of postures for a class: on which rung each side of each person is, with which prop and caution, and who
 * may not.
 */
final readonly class ClassSheet
{
    public function __construct(
        private ReadPerson $person,
        private Catalogue $catalogue,
        private ReasonText $texts,
    ) {
    }

    /**
     * @param list<Practitioner> $people
     * @param list<string> $postures ids, in their order
     *
     * @return list<array{posture: string, rungs: list<array{rung: PracticeRung, people: list<array<string, mixed>>}>,
     *     barred: list<array<string, mixed>>}>
     */
    public function of(array $people, array $postures): array
    {
        $read = array_map($this->person->now(...), $people);

        return array_map(fn (string $posture): array => $this->posture($posture, $people, $read), $postures);
    }

    /**
     * How many of each prop there have to be: one posture after another, and each person has what the side that needs
     * more of it needs.
     *
     * @param list<array{posture: string, rungs: list<array{rung: PracticeRung, people: list<array<string, mixed>>}>,
     *     barred: list<array<string, mixed>>}> $sheet
     *
     * @return array<string, int> by the names of Equipment
     */
    public static function props(array $sheet): array
    {
        $most = [];
        foreach ($sheet as $posture) {
            $each = [];
            foreach ($posture['rungs'] as ['rung' => $rung, 'people' => $people]) {
                foreach ($people as $person) {
                    $each[] = [$person['id'], $rung];
                }
            }
            foreach ($posture['barred'] as $person) {
                null === $person['instead'] ?: ($each[] = [$person['id'], $person['instead']]);
            }
            $of = [];
            foreach ($each as [$id, $rung]) {
                foreach ($rung->props as $prop => $many) {
                    $of[$prop][$id] = max($many, $of[$prop][$id] ?? 0);
                }
            }
            foreach ($of as $prop => $many) {
                $most[$prop] = max(array_sum($many), $most[$prop] ?? 0);
            }
        }
        ksort($most);

        return $most;
    }

    /**
     * @param list<Practitioner> $people
     * @param list<ReadPoses|null> $read what is known of each; null for whom nobody measured
     *
     * @return array{posture: string, rungs: list<array{rung: PracticeRung, people: list<array<string, mixed>>}>,
     *     barred: list<array<string, mixed>>}
     */
    private function posture(string $posture, array $people, array $read): array
    {
        $rungs = $barred = [];
        $ladder = array_map(
            static fn (PracticeRung $rung): string => $rung->rung->id,
            $this->catalogue->practiceRungs()[$posture],
        );
        foreach ($people as $i => $person) {
            $poses = $read[$i];
            if (null === $poses) {
                $barred[] = ['id' => (string) $person->id,
                    'name' => $person->name, 'side' => 'both', 'because' => '', 'instead' => null];
                continue;
            }
            foreach ($this->sides($posture, $poses) as $side => [$rung, $prop, $cautions, $because]) {
                if (null === $rung) {
                    $barred[] = [
                        'id' => (string) $person->id,
                        'name' => $person->name,
                        'side' => $side,
                        'because' => $because,
                        'instead' => Instead::inAClass(
                            $posture,
                            'both' === $side ? Side::cases() : [Side::from($side)],
                            $poses,
                            $this->catalogue->practiceRungs(),
                            Equipment::ofAStudio(),
                        ),
                    ];
                    continue;
                }
                $besides = $this->catalogue->postures()[$posture]->besides($rung->rung->id);
                // A form stands beside its rung, and is another shape.
                $place = sprintf('%03d %s', (int) array_search($besides, $ladder, true), $rung->rung->id);
                $rungs[$place] ??= ['rung' => $rung, 'people' => []];
                $rungs[$place]['people'][] = [
                    'id' => (string) $person->id,
                    'name' => $person->name,
                    'side' => $side,
                    'prop' => $prop,
                    'cautions' => $cautions,
                    'forms' => $this->forms($rung, $side, $poses),
                ];
            }
        }
        ksort($rungs);

        return ['posture' => $posture, 'rungs' => array_values($rungs), 'barred' => $barred];
    }

    /**
     * @return array<string, array{PracticeRung|null, float|null, list<string>, string}> by side; "both" where both are
     *     alike
     */
    private function sides(string $posture, ReadPoses $poses): array
    {
        $bars = fn (Side $side): array => array_slice(
            $this->texts->bars($poses->of($posture, $side)->onLadder()),
            0,
            1,
        );
        $stage = Stage::ofBoth($posture, $poses, $this->catalogue->practiceRungs(), Equipment::ofAStudio());
        $sides = [];
        foreach (Side::cases() as $side) {
            $rung = $stage[$side->value];
            $reading = null === $rung ? null : $poses->of($posture, $side)->rung($rung->rung->id);
            $sides[$side->value] = [
                $rung,
                null === $reading ? null : PropHeights::of($reading, $poses->person, $side),
                null === $rung ? [] : $this->cautions($rung, $side, $poses),
                // Of a shape of both sides at once the one may bar the other.
                null === $rung ? implode(' ', [] === $bars($side) ? $bars($side->opposite()) : $bars($side)) : '',
            ];
        }

        return $sides['left'] === $sides['right'] ? ['both' => $sides['left']] : $sides;
    }

    /**
     * The forms of a rung that serve what this person wants the posture for, as far as they may be practised.
     *
     * @return list<string> names
     */
    private function forms(PracticeRung $rung, string $side, ReadPoses $poses): array
    {
        $purpose = $poses->person->purposes[$rung->posture] ?? null;
        $forms = null === $purpose
            ? []
            : array_filter(
                Stage::shapes($rung, $purpose, $this->catalogue->practiceRungs()),
                static fn (PracticeRung $form): bool => $form !== $rung
                    && May::practise($poses, $form->posture, $form->rung->id, Side::tryFrom($side))->isYes(),
            );

        return array_values(array_map(static fn (PracticeRung $form): string => $form->rung->name, $forms));
    }

    /** @return list<string> how this person does it otherwise */
    private function cautions(PracticeRung $rung, Side $side, ReadPoses $poses): array
    {
        $cautions = [];
        foreach ($poses->person->holds->active as $hold) {
            $isHere = $hold->isOn($side);
            $cautions = [
                ...$cautions,
                ...$isHere
                    ? array_values(
                        array_intersect_key($hold->holds->changes, array_flip($rung->rung->work->loads)),
                    )
                    : [],
            ];
        }
        if ($poses->person->holds->keepsShort($rung->rung->work, $side)) {
            $cautions[] = '';
        }

        return array_values(array_unique($cautions));
    }
}
