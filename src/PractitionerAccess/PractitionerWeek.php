<?php

declare(strict_types=1);

namespace LucidAscent\App\PractitionerAccess;

use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Plan\HeldBack;
use LucidAscent\App\Plan\ItemText;
use LucidAscent\App\Plan\LayOut;
use LucidAscent\Core\Plan\PainInSession;
use LucidAscent\Core\Readiness\ReadPoses;

/** The week of a plan that a day is in, as it may be practised now. */
final readonly class PractitionerWeek
{
    public function __construct(private HeldBack $heldBack, private ItemText $text, private LayOut $layOut)
    {
    }

    /** @return list<array{week: int, session: int, date: string, minutes: int, items: list<array<string, mixed>>, out: list<array<string, mixed>>, layOut: list<array<string, mixed>>, raw: array<string, mixed>}> the sessions of the seven days from one on */
    public function of(?PracticePlan $plan, ?ReadPoses $poses, string $today): array
    {
        $last = (new \DateTimeImmutable($today))->modify('+6 days')->format('Y-m-d');
        $sessions = [];
        $pains = new PainInSession();
        foreach (null === $plan ? [] : $this->heldBack->weeks($plan, $poses) as $w => $week) {
            foreach ($week['sessions'] as $s => $session) {
                if ($session['date'] >= $today && $session['date'] <= $last && [] !== $session['items'] && null !== $plan) {
                    $school = $plan->schoolOn($session['date']) ?? '';
                    [$left, $out] = $this->heldBack->today($session, $poses);
                    $items = $this->text->ofSession($left, $school, $poses, $pains);
                    $sessions[] = ['week' => $w, 'session' => $s, 'date' => $session['date'], 'minutes' => (int) $session['minutes'], 'items' => $items, 'out' => array_map(fn (array $item): array => $this->text->of($item, $school), $out), 'layOut' => $this->layOut->of($items, $plan->request), 'raw' => $session];
                }
            }
        }

        return $sessions;
    }
}
