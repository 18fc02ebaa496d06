<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Plan\Plan;
use LucidAscent\Core\Plan\Today;
use LucidAscent\Core\Readiness\ReadPoses;

/** What of a plan waits for a lesson: first tries of what is for a teacher first are left to nobody alone. */
final readonly class ForLesson
{
    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * @param string $today the day from which on sessions are still to come
     *
     * @return list<array{posture: string, rung: string, name: string, rungName: string, side: string}> each once, in
     *     the order of the sessions
     */
    public function of(Plan $plan, ?ReadPoses $poses, string $today): array
    {
        $waiting = [];
        foreach ($plan->sessions() as $session) {
            foreach (Day::of($session->on) < $today ? [] : $session->items as $item) {
                if (!Today::may($item, $poses)->isYes() || !Today::waitsForLesson($item, $poses)) {
                    continue;
                }
                $rung = $item->rung->rung;
                $side = $item->side->value ?? 'both';
                $waiting["{$item->rung->posture} $rung->id $side"] = [
                    'posture' => $item->rung->posture,
                    'rung' => $rung->id,
                    'name' => $this->catalogue->names(Kind::Posture)[$item->rung->posture] ?? $item->rung->posture,
                    'rungName' => $this->catalogue->named("{$item->rung->posture}/$rung->id")['name'] ?? $rung->name,
                    'side' => $side,
                ];
            }
        }

        return array_values($waiting);
    }
}
