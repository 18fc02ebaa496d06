<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\Core\Readiness\ReadPoses;

/** What of a plan that was made earlier may not be done any more: held since, or closed. */
final readonly class HeldBack
{
    public function __construct(private StoredPlan $stored, private Catalogue $catalogue)
    {
    }

    /**
     * The weeks of a plan with the holds of today: what has to keep short since it was made is no longer than at the beginning.
     *
     * @return list<array<string, mixed>>
     */
    public function weeks(PracticePlan $plan, ?ReadPoses $poses): array
    {
        $weeks = $plan->plan['weeks'];
        if (null === $poses) {
            return $weeks;
        }
        foreach ($weeks as $w => $week) {
            foreach ($week['sessions'] as $s => $session) {
                $dose = $this->catalogue->dose($plan->schoolOn($session['date']));
                foreach ($session['date'] < $poses->person->on->format('Y-m-d') ? [] : $session['items'] as $i => $item) {
                    $planned = 'work' === $item['phase'] ? $this->stored->item($item) : null;
                    if (null !== $planned && $poses->person->holds->keepsShort($planned->rung->rung->work, $planned->side)) {
                        $session['items'][$i] = $this->stored->begun($item, $dose);
                        $weeks[$w]['sessions'][$s] = ['minutes' => $this->stored->session($session)->minutes()] + $session;
                    }
                }
            }
        }

        return $weeks;
    }

    /** @return array<string, true> items, by week, session and place: "0-2-5" */
    public function of(PracticePlan $plan, ?ReadPoses $poses): array
    {
        $barred = [];
        foreach ($plan->plan['weeks'] as $w => $week) {
            foreach ($week['sessions'] as $s => $session) {
                foreach ($session['items'] as $i => $item) {
                    if ($this->isBarred($item, $poses)) {
                        $barred["$w-$s-$i"] = true;
                    }
                }
            }
        }

        return $barred;
    }

    /**
     * A session as it may be done now: what may not is taken out, and what undoes nothing goes with it.
     *
     * @param array<string, mixed> $session
     *
     * @return array{list<array<string, mixed>>, list<array<string, mixed>>} what is left, and what was taken out
     */
    public function today(array $session, ?ReadPoses $poses): array
    {
        $left = $out = [];
        $hasWork = false;
        foreach ($session['items'] as $item) {
            $isBarred = $this->isBarred($item, $poses) || ('counter' === $item['phase'] && !$hasWork);
            $isBarred ? $out[] = $item : $left[] = $item;
            $hasWork = match ($item['phase']) {
                'work' => $hasWork || !$isBarred,
                'counter' => false,
                default => $hasWork,
            };
        }
        // Without any work there is nothing to warm up for.
        $works = array_filter($left, static fn (array $item): bool => 'work' === $item['phase']);

        return [] === $works ? [array_values(array_filter($left, static fn (array $item): bool => 'rest' === $item['phase'])), $session['items']] : [$left, $out];
    }

    /** @return array<string, true> the days on which nothing of a plan is left */
    public function empty(?PracticePlan $plan, ?ReadPoses $poses): array
    {
        $empty = [];
        foreach ($plan->plan['weeks'] ?? [] as $week) {
            foreach ($week['sessions'] as $session) {
                [$left] = $this->today($session, $poses);
                if ([] !== $session['items'] && [] === array_filter($left, static fn (array $item): bool => 'work' === $item['phase'])) {
                    $empty[$session['date']] = true;
                }
            }
        }

        return $empty;
    }

    /** @param array<string, mixed> $item */
    private function isBarred(array $item, ?ReadPoses $poses): bool
    {
        // What the catalogue no longer has, or a body that nobody measured: nothing says that it may be done.
        return null === $poses || true !== $this->stored->item($item)?->may($poses)->isYes();
    }
}
