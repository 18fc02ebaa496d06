<?php

declare(strict_types=1);

namespace LucidAscent\App\PractitionerAccess;

use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Person\ComparedWays;
use LucidAscent\App\Plan\LayOut;
use LucidAscent\App\Plan\PlanText;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\Core\Plan\PainInSession;
use LucidAscent\Core\Readiness\ReadPoses;

/** The week of a plan that a day is in, as it may be practised now. */
final readonly class PractitionerWeek
{
    public function __construct(
        private StoredPlans $plans,
        private PlanText $text,
        private LayOut $layOut,
        private ComparedWays $ways,
    ) {
    }

    /**
     * @return list<array{week: int, session: int, date: string, minutes: int, items: list<array<string, mixed>>,
     *     out: list<array<string, mixed>>, layOut: list<array<string, mixed>>, shown: array<string, mixed>}>
     *     the sessions of the seven days from one on
     */
    public function of(?PracticePlan $plan, ?ReadPoses $poses, string $today): array
    {
        $last = (new \DateTimeImmutable($today, new \DateTimeZone('UTC')))
            ->add(new \DateInterval('P6D'))
            ->format('Y-m-d');
        if (null === $plan) {
            return [];
        }
        $sessions = [];
        $pains = new PainInSession();
        $ahead = [];
        foreach ($this->plans->keepingShort($plan, $poses)->weeks as $w => $week) {
            foreach ($week->sessions as $s => $session) {
                $date = $session->on->format('Y-m-d');
                if ($date < $today || $date > $last || [] === $session->items) {
                    continue;
                }
                ['items' => $items, 'out' => $out] = $this->text->today($session, $poses, $pains, true);
                $items = $this->ways->into($items, $plan->practitioner, $ahead);
                $sessions[] = [
                    'week' => $w,
                    'session' => $s,
                    'date' => $date,
                    'minutes' => $session->minutes(),
                    'items' => $items,
                    'out' => $out,
                    'layOut' => $this->layOut->of($items, StoredPlans::asked($plan)),
                    'shown' => $this->text->session($session),
                ];
            }
        }

        return $sessions;
    }
}
