<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Json\Day;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Json\ReasonCodec;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Plan\Measure;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\Plan;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\PlannedWeek;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Unused;
use LucidAscent\Core\Reason\Reason;

/**
 * A plan as it is kept, and back. Version 2 keeps what was decided, with the codes of its reasons; what it is called,
 * how it is done and how long it takes is said when it is shown. Version 1 kept the texts of its day beside that: they
 * are read as they stand.
 */
final readonly class PlanCodec
{
    public const VERSION = 2;

    public function __construct(private Catalogue $catalogue)
    {
    }

    /** @return array<string, mixed> */
    public function write(Plan $plan): array
    {
        return [
            'version' => self::VERSION,
            'weeks' => array_map(
                fn (PlannedWeek $week): array => [
                    'light' => $week->isLight,
                    'note' => null === $week->note ? null : ReasonCodec::write($week->note),
                    'sessions' => array_map($this->session(...), $week->sessions),
                ],
                $plan->weeks,
            ),
            'leftOut' => array_map(ReasonCodec::write(...), $plan->leftOut),
            'retests' => array_map(
                static fn (array $retest): array => [
                    'week' => $retest['week'],
                    'day' => $retest['on']->format('Y-m-d'),
                    'tests' => $retest['tests'],
                ],
                $plan->retests,
            ),
        ];
    }

    /**
     * @param PlanningRequest $asked what was asked of it: each of its days has a school
     *
     * @throws InvalidValue when it is no plan
     */
    public function read(Fields $written, PlanningRequest $asked): Plan
    {
        $weeks = [];
        foreach ($written->objects('weeks') as $week) {
            $weeks[] = new PlannedWeek(
                array_map(
                    fn (Fields $session): PlannedSession => $this->readSession($session, $asked),
                    $week->objects('sessions'),
                ),
                $week->flag('light'),
                null === $week->raw('note') ? null : ReasonCodec::read($week->raw('note')),
            );
        }
        $retests = array_map(
            static fn (Fields $retest): array => [
                'week' => (int) $retest->number('week', 0.0),
                'on' => Day::of('retests', $retest->text('day')),
                'tests' => $retest->texts('tests'),
            ],
            $written->has('retests') ? $written->objects('retests') : [],
        );

        return new Plan($weeks, self::readReasons($written->raw('leftOut'), 'leftOut'), $retests);
    }

    /** @return array<string, mixed> */
    public function session(PlannedSession $session): array
    {
        return [
            'date' => $session->on->format('Y-m-d'),
            'theme' => $session->theme,
            'items' => array_map(self::item(...), $session->items),
            'unused' => null === $session->unused
                    ? null
                    : [
                        'minutes' => $session->unused->minutes,
                        'because' => ReasonCodec::write($session->unused->because),
                    ],
            'measure' => null === $session->measure
                    ? null
                    : [
                        'test' => $session->measure->test->id,
                        'side' => $session->measure->side->value,
                        'ability' => $session->measure->ability->value,
                    ],
            'tradesAway' => array_map(ReasonCodec::write(...), $session->tradesAway),
            'afterSport' => $session->isAfterSport,
        ];
    }

    /** @return array<string, mixed> */
    private static function item(PlannedItem $item): array
    {
        return [
            'posture' => $item->rung->posture,
            'rung' => $item->rung->rung->id,
            'phase' => $item->phase->value,
            'side' => $item->side->value ?? 'both',
            'seconds' => $item->seconds,
            'because' => ReasonCodec::write($item->because),
        ] +
            (null === $item->drill ? [] : ['drill' => $item->drill->id]) +
            ($item->isSet ? ['set' => true] : []) +
            ($item->isLocked ? ['locked' => true] : []) +
            (null === $item->propHeight ? [] : ['propHeight' => $item->propHeight]);
    }

    /** @throws InvalidValue */
    private function readSession(Fields $written, PlanningRequest $asked): PlannedSession
    {
        $on = Day::of('date', $written->text('date'));
        $unused = $written->has('unused') ? $written->object('unused') : null;
        $measure = array_values(array_filter(['measure', 'before'], $written->has(...)));

        return new PlannedSession(
            $on,
            array_map($this->readItem(...), $written->objects('items')),
            $written->has('theme') ? $written->text('theme') : null,
            null === $unused
                ? null
                : new Unused((int) $unused->number('minutes'), ReasonCodec::read($unused->raw('because'))),
            $this->catalogue->dose($asked->schoolOn($on)),
            [] === $measure ? null : $this->readMeasure($written->object($measure[0])),
            self::readReasons($written->raw('tradesAway'), 'tradesAway'),
            $written->has('afterSport') ? $written->flag('afterSport') : $written->has('note'),
        );
    }

    /** @throws InvalidValue */
    private function readItem(Fields $written): PlannedItem
    {
        [$posture, $shape] = [$written->text('posture'), $written->text('rung')];
        $drill = $this->catalogue->drills()[$written->text('drill', '')] ?? null;
        $rung = PracticeRung::named("$posture/$shape", $this->catalogue->practiceRungs());
        // A drill that there is no more, or that is done in another position now, is nothing that anybody has planned.
        $isGone =
            $written->has('drill')
            && (null === $drill || [$drill->uses->posture, $drill->uses->rung->id] !== [$posture, $shape]);
        $heights = array_filter(
            array_map(
                static fn (Fields $prop): ?float => $prop->optionalNumber('height'),
                $written->has('props') ? $written->objects('props') : [],
            ),
            is_float(...),
        );

        return new PlannedItem(
            null === $rung || $isGone ? PracticeRung::gone($posture, $shape) : $rung,
            Phase::tryFrom($written->text('phase')) ?? throw InvalidValue::because('phase', 'is none.'),
            Side::tryFrom($written->text('side')),
            (int) $written->number('seconds'),
            ReasonCodec::read($written->raw('because') ?? ''),
            $isGone ? null : $drill,
            $written->flag('set'),
            $written->flag('locked'),
            $written->optionalNumber('propHeight') ?? ([] === $heights ? null : max($heights)),
        );
    }

    /** @throws InvalidValue */
    private function readMeasure(Fields $written): ?Measure
    {
        $test = $this->catalogue->tests()[$written->text('test')] ?? null;
        $side = Side::tryFrom($written->text('side'));
        $ability =
            null === $test
                ? null
                : Ability::tryFrom($written->text('ability', (string) array_key_first($test->proves)));

        return null === $test || null === $side || null === $ability ? null : new Measure($test, $side, $ability);
    }

    /**
     * @param mixed $written by posture; in version 1 a list that names it
     *
     * @return array<string, Reason>
     *
     * @throws InvalidValue when it is neither
     */
    private static function readReasons(mixed $written, string $name): array
    {
        $reasons = [];
        is_array($written ?? []) || throw InvalidValue::because($name, 'are none.');
        foreach ($written ?? [] as $posture => $reason) {
            $isOld = is_array($reason) && isset($reason['posture']);
            $reasons[$isOld ? Fields::of($reason, $name)->text('posture') : (string) $posture] = ReasonCodec::read(
                $isOld ? Fields::of($reason, $name)->text('because') : $reason,
                $name,
            );
        }

        return $reasons;
    }
}
