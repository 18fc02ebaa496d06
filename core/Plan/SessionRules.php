<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** The hard rules of one session, for sessions that somebody has changed by hand. */
final class SessionRules
{
    private const WARM_UP = 300;

    /** @return list<Reason> the rules that it breaks; none when all is well */
    public static function broken(PlannedSession $session, int $minutes, ReadPoses $poses): array
    {
        $broken = [];
        if ($session->minutes() > $minutes) {
            $broken['time'] = new Reason('rule.time', Source::Own, ['minutes' => $session->minutes(), 'limit' => $minutes]);
        }
        $warm = 0;
        $level = 0;
        $open = null;
        $hasWorked = false;
        foreach ($session->items as $item) {
            if (self::isHeld($item, $poses)) {
                $broken['held'] = new Reason('rule.held', Source::Trade, ['posture' => $item->rung->name]);
            }
            if (null !== $open && Phase::Work !== $item->phase && Phase::Counter !== $item->phase) {
                $broken['counter'] = new Reason('rule.counter', Source::Trade, ['posture' => $open->name]);
                $open = null;
            }
            if (Phase::WarmUp === $item->phase) {
                $warm += $item->seconds;
                if ($hasWorked) {
                    $broken['warm-up'] = new Reason('rule.warm-up-first', Source::Trade);
                }
            } elseif (Phase::Counter === $item->phase) {
                $open = null;
            } elseif (Phase::Work === $item->phase) {
                $hasWorked = true;
                if ($warm < self::WARM_UP) {
                    $broken['warm-up'] = new Reason('rule.warm-up', Source::Trade, ['minutes' => self::WARM_UP / 60]);
                }
                if (null !== $open && $open->posture !== $item->rung->posture) {
                    $broken['counter'] = new Reason('rule.counter', Source::Trade, ['posture' => $open->name]);
                }
                if ($item->rung->level < $level && $open?->posture !== $item->rung->posture) {
                    $broken['order'] = new Reason('rule.order', Source::Trade, ['posture' => $item->rung->name]);
                }
                $level = max($level, $item->rung->level);
                $open = $item->rung;
            }
        }
        if (null !== $open) {
            $broken['counter'] = new Reason('rule.counter', Source::Trade, ['posture' => $open->name]);
        }
        foreach (self::sides($session) as $name => $sides) {
            if (1 === count($sides)) {
                $broken["sides $name"] = new Reason('rule.sides', Source::Trade, ['posture' => $name]);
            }
        }

        return array_values($broken);
    }

    /**
     * Deep work of one component on days that the school wants further apart.
     *
     * @param list<PlannedSession> $sessions in the order of their days
     * @param int $daysApart 1 where deep work on two days running is allowed
     *
     * @return list<Reason>
     */
    public static function tooClose(array $sessions, int $daysApart, ReadPoses $poses): array
    {
        $last = $broken = [];
        foreach ($sessions as $session) {
            $deep = [];
            foreach ($session->items as $item) {
                foreach (Phase::Work === $item->phase && !$item->rung->rung->isGentle ? $poses->postures[$item->rung->posture]->abilities : [] as $ability) {
                    $deep[$ability->value] = $item->rung->name;
                }
            }
            foreach ($deep as $component => $name) {
                if (isset($last[$component]) && $last[$component]->diff($session->on)->days < $daysApart) {
                    $broken[$name] = new Reason('rule.days-apart', Source::Trade, ['posture' => $name, 'days' => $daysApart]);
                }
                $last[$component] = $session->on;
            }
        }

        return array_values($broken);
    }

    private static function isHeld(PlannedItem $item, ReadPoses $poses): bool
    {
        foreach (null === $item->side ? Side::cases() : [$item->side] as $side) {
            foreach ($poses->of($item->rung->posture, $side)->rungs as $reading) {
                if ($reading->rung->id === $item->rung->rung->id && State::Held === $reading->state()) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return array<string, array<string, true>> the sides that are worked, by the posture's name; both at once are two */
    private static function sides(PlannedSession $session): array
    {
        $sides = [];
        foreach ($session->items as $item) {
            foreach (Phase::Work === $item->phase ? (null === $item->side ? Side::cases() : [$item->side]) : [] as $side) {
                $sides[$item->rung->name][$side->value] = true;
            }
        }

        return $sides;
    }
}
