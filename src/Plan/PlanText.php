<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Text\ReasonText;
use LucidAscent\Core\Plan\ExpectedStep;
use LucidAscent\Core\Plan\HoldRange;
use LucidAscent\Core\Plan\Measure;
use LucidAscent\Core\Plan\PainInSession;
use LucidAscent\Core\Plan\Plan;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\PlannedWeek;
use LucidAscent\Core\Plan\Today;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/**
 * A plan in words, as pages show it: what each item is called, how it is done, what is felt and seen, how one comes
 * out, and why it is there.
 */
final readonly class PlanText
{
    public function __construct(private Catalogue $catalogue, private ReasonText $texts)
    {
    }

    /** @return list<array{light: bool, sessions: list<array<string, mixed>>}> */
    public function weeks(Plan $plan): array
    {
        return array_map(
            fn (PlannedWeek $week): array => [
                'light' => $week->isLight,
                'sessions' => array_map($this->session(...), $week->sessions),
            ],
            $plan->weeks,
        );
    }

    /**
     * @param list<ExpectedStep> $steps
     *
     * @return list<array<string, string|\DateTimeImmutable>>
     */
    public function expected(array $steps): array
    {
        $name = fn (string $of, string $rung): string => $this->catalogue->named("$of/$rung")['name'] ?? $rung;

        return array_map(
            static fn (ExpectedStep $step): array => [
                'posture' => $step->posture,
                'side' => $step->side->value,
                'rung' => $step->rung,
                'rungName' => $name($step->posture, $step->rung),
                'nextName' => $name($step->posture, $step->next),
                'on' => $step->on,
            ],
            $steps,
        );
    }

    /** @return array<string, mixed> */
    public function session(PlannedSession $session): array
    {
        return [
            'date' => $session->on->format('Y-m-d'),
            'minutes' => $session->minutes(),
            'theme' => $session->theme,
            'items' => array_map(fn (PlannedItem $item): array => $this->item($item, $session), $session->items),
            'unused' => null === $session->unused
                    ? null
                    : [
                        'minutes' => $session->unused->minutes,
                        'because' => $this->texts->text($session->unused->because),
                    ],
            'before' => self::measure($session->measure),
            'note' => $session->isAfterSport ? $this->texts->text(new Reason('plan.sport-day', Source::Trade)) : null,
            'tradesAway' => $this->reasons($session->tradesAway),
        ];
    }

    /**
     * @param array<string, Reason> $reasons by posture
     *
     * @return list<array{posture: string, because: string}>
     */
    public function reasons(array $reasons): array
    {
        return array_map(
            fn (string $posture, Reason $reason): array => [
                'posture' => $posture,
                'because' => $this->texts->text($reason),
            ],
            array_keys($reasons),
            array_values($reasons),
        );
    }

    /** @return array<string, mixed> an item with its names, its time, and what lies under whom */
    public function item(PlannedItem $item, PlannedSession $session): array
    {
        $rung = $this->catalogue->named($item->rung->posture.'/'.$item->rung->rung->id);
        $props = array_map(
            static fn (array $prop): array => ['what' => $prop['what']] +
                (isset($prop['rule']) ? ['height' => $item->propHeight] : []),
            $rung['props'] ?? [],
        );

        return [
            'posture' => $item->rung->posture,
            'rung' => $item->rung->rung->id,
            'drill' => $item->drill?->id,
            'phase' => $item->phase->value,
            'side' => $item->side->value ?? 'both',
            // Lying with long legs is of no side, also where one of them rests.
            'sideSaid' => $item->rung->rung->work->leavesLegsLong() ? 'both' : ($item->side->value ?? 'both'),
            'seconds' => $item->seconds,
            'breaths' => $item->breaths($session->dose),
            'repetitions' => $item->repetitions($session->dose),
            'locked' => $item->isLocked,
            'props' => $props,
            'because' => $this->texts->text($item->because),
            'name' => $item->drill->name ??
                ($this->catalogue->entry(Kind::Posture, $item->rung->posture)['name'] ?? $item->rung->posture),
            'rungName' => $rung['name'] ?? $item->rung->rung->id,
        ];
    }

    /** @return array<string, mixed> the same with all that is said while it is done */
    public function whole(PlannedItem $item, PlannedSession $session): array
    {
        $rung = $this->catalogue->named($item->rung->posture.'/'.$item->rung->rung->id);
        $drill = $this->catalogue->entry(Kind::Drill, $item->drill->id ?? '');
        $shown = $this->item($item, $session);
        $isPressed =
            $item->isPressed($session->dose)
            || (null !== $item->drill && ($drill['lasts'] ?? 0) >= HoldRange::PRESS_AND_YIELD);

        return $shown + [
            'cues' => $drill['cues'] ?? ($rung['cues'] ?? []),
            'position' => $drill['how'] ?? ($rung['position'] ?? []),
            'check' => $rung['check'] ?? [],
            'gentle' => $rung['gentle'] ?? false,
            'stop' => $rung['stop'] ?? [],
            'gentler' => $this->catalogue->instead($rung['knee_safe'] ?? []),
            'way' => $rung['schools'][$session->dose->school ?? ''] ?? '',
            'fault' => $rung['fault'] ?? null,
            'wayOut' => $rung['way_out'] ?? '',
            ...null === $item->drill ? self::waysIn($rung ?? []) : [],
            // Press for so much of each repetition, and yield for the rest of it.
            'press' => $isPressed ? HoldRange::PRESS / HoldRange::PRESS_AND_YIELD : 0.0,
            'compensations' => array_map(
                static fn (array $one): array => ['id' => $one['id'], 'text' => $one['text']],
                $rung['compensations'] ?? [],
            ),
        ];
    }

    /**
     * How one gets into a rung, and where the other leg and the arms go.
     *
     * @param array<string, mixed> $rung
     *
     * @return array{waysIn: list<string>, otherLeg: string, arms: string}
     */
    private static function waysIn(array $rung): array
    {
        return [
            'waysIn' => $rung['ways_in'] ?? [],
            'otherLeg' => $rung['other_leg_place'] ?? '',
            'arms' => $rung['arms'] ?? '',
        ];
    }

    /**
     * What is left of a session now, with what would end each item of it; and what is not done today, and why.
     *
     * @return array{items: list<array<string, mixed>>, out: list<array<string, mixed>>}
     */
    public function today(
        PlannedSession $planned,
        ?ReadPoses $poses,
        PainInSession $pains,
        bool $isAtHome = false,
    ): array {
        $today = Today::of($planned, $poses, $isAtHome);
        $items = array_map(
            fn (PlannedItem $item): array => $this->whole($item, $planned) + [
                'endedBy' => $pains->ending($item->rung, $item->side, $poses),
            ],
            $today->session->items,
        );
        $out = [];
        foreach ($today->out as $place => $may) {
            $because = null === $may ? new Reason('plan.nothing-left', Source::Trade) : $may->bars[0];
            $out[] = $this->item($planned->items[$place], $planned) + ['why' => $this->texts->text($because)];
        }

        return ['items' => $items, 'out' => $out];
    }

    /** @return array<string, string>|null the number to read, of which test, on which side */
    public static function measure(?Measure $measure): ?array
    {
        $number = null === $measure ? null : array_key_first($measure->test->measured);

        return null === $number
            ? null
            : [
                'test' => $measure->test->id,
                'name' => $measure->test->name,
                'side' => $measure->side->value,
                'number' => $number,
                'unit' => $measure->test->measured[$number],
            ];
    }
}
