<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Sheets;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Plan\ExpectedStep;
use LucidAscent\Core\Plan\Plan;
use LucidAscent\Core\Readiness\AbilityMargin;
use LucidAscent\Core\Readiness\FindRestriction;
use LucidAscent\Core\Readiness\Gate\GateFinding;
use LucidAscent\Core\Readiness\PredictReach;
use LucidAscent\Core\Readiness\PropHeights;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Route\Keystone;
use LucidAscent\Core\Route\NextReading;
use LucidAscent\Core\Route\Route;

/** What is read of somebody, and what is planned, in lines. */
final class PersonSheet
{
    /**
     * @param list<string> $wanted
     *
     * @return list<string>
     */
    public static function read(ReadPoses $poses, array $wanted): array
    {
        $lines = self::poses($poses, $wanted);
        $routes = array_map(static fn (string $id): Route => Route::to($id, $poses), $wanted);
        array_push($lines, '', ...Sheet::of(['routes' => $routes, 'keystone' => Keystone::of($routes, $poses)]));
        $next = NextReading::of($wanted, $poses);
        $lines[] = '';
        $lines[] = 'next: '.($next?->test->id ?? 'none').' '.($next->side->value ?? '').' '.round($next->fall ?? 0.0,
            3);
        array_push($lines, ...self::because(null === $next ? [] : [$next->because]));
        foreach (Side::cases() as $side) {
            array_push($lines, '', "restriction $side->value",
                ...Sheet::of(FindRestriction::of($poses, $side), 2, '  '));
        }

        return $lines;
    }

    /**
     * @param list<string> $wanted
     *
     * @return list<string>
     */
    public static function plan(Plan $plan, array $wanted, ReadPoses $poses): array
    {
        $lines = [];
        foreach ($plan->weeks as $w => $week) {
            foreach ($week->sessions as $session) {
                $lines[] = sprintf('week %d, %s, %s', $w + 1, $session->on->format('Y-m-d'), $session->theme);
                foreach ($session->items as $item) {
                    $lines[] = sprintf('  %s %s/%s %s %s s %s', $item->phase->value, $item->rung->posture,
                        $item->rung->rung->id, $item->side->value ?? 'both', $item->seconds, $item->drill->id ?? '');
                    array_push($lines, ...self::because([$item->because]));
                }
                array_push($lines, ...Sheet::of(['unused' => $session->unused, 'away' => $session->tradesAway], 3,
                    '  '));
            }
        }
        array_push($lines, ...Sheet::of(['retests' => $plan->retests, 'left out' => $plan->leftOut], 3));

        array_push($lines, ...Sheet::of(['expected' => ExpectedStep::all($wanted, $plan->sessions(), $poses)], 3));

        return $lines;
    }

    /**
     * @param list<string> $wanted whose reaches are told, too
     *
     * @return list<string>
     */
    private static function poses(ReadPoses $poses, array $wanted): array
    {
        $lines = [];
        foreach (Side::cases() as $side) {
            foreach ($poses->person->capacities($side)->known as $known) {
                $lines[] = sprintf('%s %s: %.3f ± %.3f %s by %s', $side->value, $known->ability->value, $known->value,
                    $known->error, $known->bound->name, implode(' ', $known->tests()));
            }
        }
        foreach (array_keys($poses->postures) as $id) {
            foreach (Side::cases() as $side) {
                $pose = $poses->of($id, $side);
                $stand = $pose->onLadder();
                $first = array_map(static fn (GateFinding $gate): string => $gate->posture.$gate->gate,
                    $pose->first());
                if ([] !== $first) {
                    $lines[] = "$id $side->value, first: ".implode(', ', $first);
                }
                $lines[] = sprintf('%s %s: %s %s%%, stands on %s, next %s', $id, $side->value, $pose->state()->value,
                    $pose->chance() ?? '?', $stand->rung->rung->id ?? 'none', $stand->next->rung->id ?? 'none');
                foreach ($pose->rungs() as $rung) {
                    $reach = null === $rung->rung->reach || !in_array($id, $wanted, true) ? null
                        : PredictReach::of($rung->rung->reach, $poses->person, $side);
                    if (null !== $reach) {
                        array_push($lines, "  {$rung->rung->id}, reach", ...self::because($reach->reasons()),
                            ...self::because([$reach->against(12.0)]));
                    }
                    if ([] === array_filter($rung->margins, static fn (AbilityMargin $one): bool => null
                        !== $one->shown)) {
                        continue;
                    }
                    $lines[] = sprintf('  %s %s, prop %s: %s', $rung->rung->id, $rung->state()->value,
                        self::height(PropHeights::of($rung, $poses->person, $side)),
                        implode('; ', array_map(self::margin(...), $rung->margins)));
                }
                array_push($lines, ...self::because([...$pose->reasons(), ...$stand->bars]));
            }
        }

        return $lines;
    }

    private static function margin(AbilityMargin $margin): string
    {
        return sprintf('%s %s of %.3f ± %.3f', $margin->ability->value, self::height($margin->shown), $margin->asked,
            $margin->error);
    }

    private static function height(?float $value): string
    {
        return null === $value ? 'none' : sprintf('%.3f', $value);
    }

    /**
     * @param list<Reason> $reasons
     *
     * @return list<string>
     */
    public static function because(array $reasons): array
    {
        return array_map(
            static fn (Reason $reason): string => "    $reason->code ".implode(' ', Sheet::of([$reason->numbers], 3)),
            $reasons,
        );
    }
}
