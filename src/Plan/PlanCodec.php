<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Json\ReasonCodec;
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
 * A plan as it is kept, and back. Version 2 keeps what was decided, with the codes of its reasons; what it is called, how
 * it is done and how long it takes is said when it is shown. Version 1 kept the texts of its day beside that: they are
 * read as they stand.
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
            'weeks' => array_map(fn (PlannedWeek $week): array => ['light' => $week->isLight, 'sessions' => array_map($this->session(...), $week->sessions)], $plan->weeks),
            'leftOut' => array_map(ReasonCodec::write(...), $plan->leftOut),
            'retests' => array_map(static fn (array $retest): array => ['week' => $retest['week'], 'day' => $retest['on']->format('Y-m-d'), 'tests' => $retest['tests']], $plan->retests),
        ];
    }

    /**
     * @param array<string, mixed> $written
     * @param PlanningRequest $asked what was asked of it: each of its days has a school
     */
    public function read(array $written, PlanningRequest $asked): Plan
    {
        return new Plan(
            array_values(array_map(fn (array $week): PlannedWeek => new PlannedWeek(
                array_values(array_map(fn (array $session): PlannedSession => $this->readSession($session, $asked), $week['sessions'])),
                $week['light'] ?? false,
            ), $written['weeks'])),
            self::readReasons($written['leftOut'] ?? []),
            array_map(static fn (array $retest): array => ['week' => (int) ($retest['week'] ?? 0), 'on' => self::day($retest['day']), 'tests' => $retest['tests'] ?? []], array_values($written['retests'] ?? [])),
        );
    }

    /** @return array<string, mixed> */
    public function session(PlannedSession $session): array
    {
        return [
            'date' => $session->on->format('Y-m-d'),
            'theme' => $session->theme,
            'items' => array_map(self::item(...), $session->items),
            'unused' => null === $session->unused ? null : ['minutes' => $session->unused->minutes, 'because' => ReasonCodec::write($session->unused->because)],
            'measure' => null === $session->measure ? null : ['test' => $session->measure->test->id, 'side' => $session->measure->side->value, 'ability' => $session->measure->ability->value],
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
        ]
            + (null === $item->drill ? [] : ['drill' => $item->drill->id])
            + ($item->isSet ? ['set' => true] : [])
            + ($item->isLocked ? ['locked' => true] : [])
            + (null === $item->propHeight ? [] : ['propHeight' => $item->propHeight]);
    }

    /** @param array<string, mixed> $written */
    private function readSession(array $written, PlanningRequest $asked): PlannedSession
    {
        $on = self::day($written['date']);

        return new PlannedSession(
            $on,
            array_values(array_map($this->readItem(...), $written['items'])),
            $written['theme'] ?? null,
            isset($written['unused']) ? new Unused((int) $written['unused']['minutes'], ReasonCodec::read($written['unused']['because'])) : null,
            $this->catalogue->dose($asked->schoolOn($on)),
            $this->readMeasure($written['measure'] ?? $written['before'] ?? null),
            self::readReasons($written['tradesAway'] ?? []),
            $written['afterSport'] ?? isset($written['note']),
        );
    }

    /** @param array<string, mixed> $written */
    private function readItem(array $written): PlannedItem
    {
        $drill = $this->catalogue->drills()[$written['drill'] ?? ''] ?? null;
        $rung = PracticeRung::named("$written[posture]/$written[rung]", $this->catalogue->practice());
        // A drill that there is no more, or that is done in another position now, is nothing that anybody has planned.
        $isGone = isset($written['drill']) && (null === $drill || [$drill->uses->posture, $drill->uses->rung->id] !== [$written['posture'], $written['rung']]);
        $heights = array_filter(array_column($written['props'] ?? [], 'height'), is_numeric(...));

        return new PlannedItem(
            null === $rung || $isGone ? PracticeRung::gone($written['posture'], $written['rung']) : $rung,
            Phase::from($written['phase']),
            Side::tryFrom($written['side']),
            (int) $written['seconds'],
            ReasonCodec::read($written['because'] ?? ''),
            $isGone ? null : $drill,
            $written['set'] ?? false,
            $written['locked'] ?? false,
            isset($written['propHeight']) ? (float) $written['propHeight'] : ([] === $heights ? null : (float) max($heights)),
        );
    }

    /** @param array<string, mixed>|null $written */
    private function readMeasure(?array $written): ?Measure
    {
        $test = $this->catalogue->tests()[$written['test'] ?? ''] ?? null;
        $side = Side::tryFrom($written['side'] ?? '');
        $ability = null === $test ? null : Ability::tryFrom($written['ability'] ?? (string) array_key_first($test->proves));

        return null === $test || null === $side || null === $ability ? null : new Measure($test, $side, $ability);
    }

    /**
     * @param array<int|string, mixed> $written by posture; in version 1 a list that names it
     *
     * @return array<string, Reason>
     */
    private static function readReasons(array $written): array
    {
        $reasons = [];
        foreach ($written as $posture => $reason) {
            $isOld = is_array($reason) && isset($reason['posture'], $reason['because']);
            $reasons[$isOld ? (string) $reason['posture'] : (string) $posture] = ReasonCodec::read($isOld ? $reason['because'] : $reason);
        }

        return $reasons;
    }

    private static function day(string $day): \DateTimeImmutable
    {
        return new \DateTimeImmutable($day, new \DateTimeZone('UTC'));
    }
}
