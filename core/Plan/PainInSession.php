<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\PainRule;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\ReadPoses;

/**
 * What a pain that is said while a session goes on ends for the rest of it: every answer that there is, judged
 * beforehand, since a session goes on without a network and asks nobody. What was being done then is taken for what
 * nobody knows.
 */
final class PainInSession
{
    /** Nothing hurts. */
    public const NOTHING = -1;
    /** It hurts, is written down, and ends nothing. */
    public const GOES_ON = 0;
    private const LEVELS = 10;
    private const SIDES = ['left' => Side::Left, 'right' => Side::Right, 'none' => null];

    /**
     * @var array<string, array<string, array<int, array<string, int>>>> by place, kind, level from 0 and side: NOTHING,
     *     GOES_ON, or the number of what holds from then on
     */
    public readonly array $answers;
    /** @var array<int, Holds> by its number, from 1 */
    private array $holds = [];

    public function __construct()
    {
        $numbers = [];
        /** @var array<string, array<string, array<int, array<string, int>>>> $answers */
        $answers = [];
        // Any day will do: nothing is asked of it.
        $day = new \DateTimeImmutable('2000-01-01');
        foreach (PainPlace::choices() as $place) {
            foreach (PainKind::cases() as $kind) {
                for ($level = 0; $level <= self::LEVELS; ++$level) {
                    $pain = new Pain($level, $place, $kind);
                    foreach (self::SIDES as $name => $side) {
                        $rule = PainRule::of($pain, $side, null);
                        if (null === $rule) {
                            $answers[$place->value][$kind->value][$level][$name] = $pain->isFelt()
                                ? self::GOES_ON
                                : self::NOTHING;
                            continue;
                        }
                        $number = $numbers[serialize([$rule->holds, $rule->side])] ??= count($numbers) + 1;
                        $answers[$place->value][$kind->value][$level][$name] = $number;
                        $this->holds[$number] ??= Holds::of(
                            [new PainTold('said', $day, $day, $pain, $side)],
                            $day,
                        );
                    }
                }
            }
        }
        $this->answers = $answers;
    }

    /**
     * Which of them end an item.
     *
     * @param Side|null $side null for both at once
     * @param ReadPoses|null $poses what is known of the body, whose angles load what the catalogue alone does not tell;
     *     null when nobody measured it
     *
     * @return list<int> numbers
     */
    public function ending(PracticeRung $rung, ?Side $side, ?ReadPoses $poses): array
    {
        $ending = [];
        foreach ($this->holds as $number => $holds) {
            foreach (null === $side ? Side::cases() : [$side] as $one) {
                $work = $poses?->shape($rung->posture, $rung->rung->id, $one)->reading->work ?? $rung->rung->work;
                if (!May::load($holds, $work, $one)->isYes()) {
                    $ending[] = $number;
                    break;
                }
            }
        }

        return $ending;
    }
}
