<?php

declare(strict_types=1);

namespace LucidAscent\Core\Route;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Permission;
use LucidAscent\Core\Readiness\AbilityMargin;
use LucidAscent\Core\Readiness\Chance;
use LucidAscent\Core\Readiness\PoseReading;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\TestDefinition;

/**
 * The one test whose result would settle the wanted poses most for its time: the largest expected
 * fall in the chance of being wrong, a minute of testing. Nothing is worth measuring when none
 * falls by more than a little. The weights are this product's own.
 */
final readonly class NextReading
{
    /** A fall below this, over all wanted poses and both sides, is not worth anybody's time. */
    private const WORTH = 0.03;
    /** What is not known at all is as likely wrong as right; once read, a verdict is wrong about this often. */
    private const GUESS = 0.5;
    private const AFTER = 0.1;
    /** The lotus gate is a rule by itself: until it is read the pose is not known. */
    private const GATE_TEST = 'soles-together';

    private function __construct(public TestDefinition $test, public Side $side, public float $fall, public Reason $because)
    {
    }

    /**
     * @param list<string> $wanted
     * @param array<string, TestDefinition> $tests in the taught order
     */
    public static function of(array $wanted, ReadPoses $poses, array $tests): ?self
    {
        $best = null;
        foreach ($tests as $test) {
            foreach (Side::cases() as $side) {
                if (!$test->isMeasured() || Permission::of($poses->person->conditions($side), $test->loads, true)->isHeld) {
                    continue;
                }
                $fall = 0.0;
                $settles = [];
                foreach ($wanted as $id) {
                    $of = self::fall($test, $poses->of($id, $side));
                    $fall += $of;
                    if ($of > 0.0) {
                        $settles[] = $poses->postures[$id]->name;
                    }
                }
                if ($fall > self::WORTH && (null === $best || $fall / $test->minutes > $best->fall / $best->test->minutes + 1e-9)) {
                    $best = new self($test, $side, $fall, new Reason('next.settles', Source::Own, ['poses' => implode(', ', $settles), 'fall' => 100 * $fall, 'minutes' => $test->minutes]));
                }
            }
        }

        return $best;
    }

    private static function fall(TestDefinition $test, PoseReading $pose): float
    {
        // One shortage that is known for sure is a verdict; so is a stop. More numbers change neither.
        if (in_array($pose->state(), [State::Short, State::Held, State::Open], true)) {
            return 0.0;
        }
        $fall = 0.0;
        foreach ($pose->full()->margins as $margin) {
            $fall += self::fallOf($test, $margin);
        }
        foreach ($pose->gates as $gate) {
            $fall += self::GATE_TEST === $test->id && 'gate.not-read' === $gate->reason->code ? self::GUESS - self::AFTER : 0.0;
        }

        return $fall;
    }

    private static function fallOf(TestDefinition $test, AbilityMargin $margin): float
    {
        $proves = $test->shows($margin->ability);
        if (null === $proves || State::Open === $margin->state()) {
            return 0.0;
        }
        if (State::Unknown === $margin->state()) {
            $known = self::GUESS - self::AFTER;

            // Another lower bound may happen to reach; it settles nothing when it does not.
            return Bound::Exact === $proves ? $known : (null === $margin->capacity ? $known / 2 : 0.0);
        }
        if (Bound::AtLeast === $proves) {
            return 0.0;
        }
        $error = $test->formula->usualError();
        $after = 1 / sqrt(1 / max(1e-6, $margin->error) ** 2 + 1 / $error ** 2);

        return Chance::positive(-abs($margin->difference()), $margin->error) - Chance::positive(-abs($margin->difference()), $after);
    }
}
