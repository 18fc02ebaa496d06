<?php

declare(strict_types=1);

namespace LucidAscent\Core\Route;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Readiness\AbilityMargin;
use LucidAscent\Core\Readiness\Chance;
use LucidAscent\Core\Readiness\Gate\GateFinding;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\PoseReading;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\RungReading;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Readiness\Unasked;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\TestDefinition;

/**
 * What would settle the wanted poses most: the one test with the largest expected fall in the chance of
 * being wrong, a minute of testing; where no test would, a gate to ask; where the verdicts stand, the test that would
 * move a side on its ladder; else the rung to try under the teacher's eye. Never nothing while a wanted pose is not
 * known, and nothing that would change no answer. The weights are this product's own.
 */
final readonly class NextReading
{
    /** A fall below this, over all wanted poses and both sides, is not worth anybody's time. */
    private const WORTH = 0.03;
    /** What is not known at all is as likely wrong as right; once read, a verdict is wrong about this often. */
    private const GUESS = 0.5;
    private const AFTER = 0.1;
    /** How likely a lower bound is enough, and that of the very pose. */
    private const REACHES = 0.5;
    private const REACHES_ITSELF = 0.75;

    /**
     * @param TestDefinition|null $test the test to take, or that asks a gate
     * @param string $posture the posture whose rung is to be tried; empty for a test
     * @param string $rung likewise
     */
    private function __construct(
        public ?TestDefinition $test,
        public Side $side,
        public float $fall,
        public Reason $because,
        public bool $isGate = false,
        public string $posture = '',
        public string $rung = '',
    ) {
    }

    /** @param list<string> $wanted */
    public static function of(array $wanted, ReadPoses $poses): ?self
    {
        $asked = self::withWhatComesFirst($wanted, $poses);

        return self::test($asked, $poses) ??
            (self::gate($asked, $poses) ?? (self::onLadder($wanted, $poses) ?? self::rung($wanted, $poses)));
    }

    /** @param list<string> $wanted */
    private static function test(array $wanted, ReadPoses $poses): ?self
    {
        $best = null;
        $rate = 0.0;
        foreach ($poses->tests as $test) {
            foreach (Side::cases() as $side) {
                if (!$test->isMeasured() || !May::take($poses->person->holds, $test, $side)->isYes()) {
                    continue;
                }
                $fall = 0.0;
                $settles = [];
                foreach ($wanted as $id) {
                    $of =
                        self::fall($test, $side, $poses->of($id, $side), $poses) +
                        self::fall($test, $side, $poses->of($id, $side->opposite()), $poses);
                    $fall += $of;
                    if ($of > 0.0) {
                        $settles[] = $id;
                    }
                }
                if ($fall > self::WORTH && (null === $best || $fall / $test->minutes > $rate + 1e-9)) {
                    $rate = $fall / $test->minutes;
                    $best = new self(
                        $test,
                        $side,
                        $fall,
                        new Reason(
                            self::goesBeyond($test, $side, $poses) ? 'next.beyond' : 'next.settles',
                            Source::Own,
                            ['poses' => $settles, 'fall' => 100 * $fall, 'minutes' => $test->minutes],
                        ),
                    );
                }
            }
        }

        return $best;
    }

    /** Whether the leg came to rest when it was read last, so that the test has to be set up to go further. */
    private static function goesBeyond(TestDefinition $test, Side $side, ReadPoses $poses): bool
    {
        return [] !==
            array_filter(
                array_keys($test->proves),
                static fn (string $ability): bool => $poses->isAtCeiling($test, Ability::from($ability), $side),
            );
    }

    /** @param list<string> $wanted */
    private static function gate(array $wanted, ReadPoses $poses): ?self
    {
        foreach ($wanted as $id) {
            foreach (Side::cases() as $side) {
                $pose = $poses->of($id, $side);
                foreach (State::Held === $pose->state() ? [] : $pose->full()->shut() as $gate) {
                    $test = $poses->tests[$gate->test] ?? null;
                    if (null !== $test && May::take($poses->person->holds, $test, $side)->isYes()) {
                        return new self(
                            $test,
                            $side,
                            0.0,
                            new Reason('next.gate', Source::Trade, ['poses' => [$id]]),
                            true,
                        );
                    }
                }
            }
        }

        return null;
    }

    /**
     * The test that most of what bars a next rung waits for.
     *
     * @param list<string> $wanted
     */
    private static function onLadder(array $wanted, ReadPoses $poses): ?self
    {
        $waiting = $found = [];
        foreach ($wanted as $id) {
            foreach (Side::cases() as $side) {
                $rung = $poses->of($id, $side)->onLadder()->next;
                if (null === $rung) {
                    continue;
                }
                $because = new Reason('next.moves', Source::Own, ['posture' => $id, 'rung' => $rung->rung->id]);
                foreach (self::telling($rung, $side, $poses) as [$test, $of]) {
                    $key = "$test->id $of->value";
                    $waiting[$key] = ($waiting[$key] ?? 0.0) + 1.0 / $test->minutes;
                    $found[$key] ??= new self($test, $of, 0.0, $because, !$test->isMeasured());
                }
            }
        }
        arsort($waiting);

        return $found[array_key_first($waiting) ?? ''] ?? null;
    }

    /**
     * @return list<array{TestDefinition, Side}> the tests of what is not known of a rung, each with the side that it is
     *     of; none where something else keeps it closed
     */
    private static function telling(RungReading $rung, Side $side, ReadPoses $poses): array
    {
        $isShort = !$rung->isSeenClean() && State::Short === $rung->stateOfMargins();
        if (
            [] !== $rung->heldBy
            || $rung->waitsForOtherSide
            || $isShort
            || [] !== array_filter($rung->shut(), static fn (GateFinding $gate): bool => $gate->isKnownShut())
        ) {
            return [];
        }
        $telling = [];
        foreach ($rung->shut() as $gate) {
            $test = $poses->tests[$gate->test] ?? null;
            if (null !== $test && May::take($poses->person->holds, $test, $side)->isYes()) {
                $telling[] = [$test, $side];
            }
        }
        foreach ($rung->isSeenClean() ? [] : $rung->margins as $margin) {
            foreach (
                State::Unknown === $margin->state()
                    ? $poses->settling($margin->ability, $rung, $margin->leg($side))
                    : [] as $test
            ) {
                // Another lower bound settles nothing when it does not happen to reach.
                if (Bound::Exact === $test->shows($margin->ability) || null === $margin->capacity) {
                    $telling[] = [$test, $margin->leg($side)];
                }
            }
        }
        foreach ($rung->testFirst as $ability) {
            foreach ($poses->settling($ability, $rung, $side) as $test) {
                $telling[] = [$test, $side];
            }
        }

        return $telling;
    }

    /** @param list<string> $wanted */
    private static function rung(array $wanted, ReadPoses $poses): ?self
    {
        foreach ($wanted as $id) {
            foreach (Side::cases() as $side) {
                $pose = $poses->of($id, $side);
                $rung = $pose->onLadder()->rung;
                // A gentle rung whose demand is not known is tried: that is how one finds out.
                $isTried = State::Short === $pose->state() && $pose->onLadder()->isTried;
                if (null !== $rung && ($isTried || in_array($pose->state(), [State::Unknown, State::First], true))) {
                    return new self(
                        null,
                        $side,
                        0.0,
                        new Reason('next.try', Source::Trade, ['posture' => $id, 'rung' => $rung->rung->id]),
                        false,
                        $id,
                        $rung->rung->id,
                    );
                }
            }
        }

        return null;
    }

    /**
     * The wanted poses, and those without which they are not known.
     *
     * @param list<string> $wanted
     *
     * @return list<string>
     */
    private static function withWhatComesFirst(array $wanted, ReadPoses $poses): array
    {
        $all = [];
        while ([] !== $wanted) {
            $id = array_shift($wanted);
            if (in_array($id, $all, true) || !isset($poses->postures[$id])) {
                continue;
            }
            $all[] = $id;
            foreach (Side::cases() as $side) {
                foreach ($poses->of($id, $side)->full()->shut() as $gate) {
                    if ('' !== $gate->posture) {
                        $wanted[] = $gate->posture;
                    }
                }
            }
        }

        return $all;
    }

    /** What a test of one side would tell of a pose of that side, or of one whose other leg that side is. */
    private static function fall(TestDefinition $test, Side $side, PoseReading $pose, ReadPoses $poses): float
    {
        $isOwn = $side === $pose->side;
        $fall = $isOwn ? self::doubt($test, $pose, $poses) : 0.0;
        // One shortage that is known for sure is a verdict; so is a stop, and what comes first. More numbers change
        // none of them.
        if (in_array($pose->state(), [State::First, State::Short, State::Held], true)) {
            return $fall;
        }
        if ($pose->full()->stateOfMargins()->isInReach()) {
            foreach ($pose->full()->unasked as $unasked) {
                $fall += $unasked->leg === $side ? self::fallOfUnasked($test, $unasked, $pose, $poses) : 0.0;
            }
        }
        if (State::Open === $pose->state()) {
            return $fall;
        }
        foreach ($pose->full()->margins as $margin) {
            $fall += $margin->leg($pose->side) !== $side ? 0.0 : self::fallOf($test, $margin, $pose, $poses);
        }
        foreach ($isOwn ? $pose->full()->shut() : [] as $gate) {
            $fall += self::isReadBy($gate, $test) ? self::GUESS - self::AFTER : 0.0;
        }

        return $fall;
    }

    /** Readings that cannot all be true: the more doubtful one is worth repeating. */
    private static function doubt(TestDefinition $test, PoseReading $pose, ReadPoses $poses): float
    {
        foreach ($pose->full()->margins as $margin) {
            if (
                $margin->capacity?->doubtful($poses->person->proportions->error($pose->side))?->test === $test->id
                && State::Held !== $pose->state()
            ) {
                return self::GUESS;
            }
        }

        return 0.0;
    }

    private static function isReadBy(GateFinding $gate, TestDefinition $test): bool
    {
        return $test->isMeasured() && $gate->test === $test->id;
    }

    /** What nobody asks as a rule: how likely it is that there is not enough of it, where a test reads it exactly. */
    private static function fallOfUnasked(
        TestDefinition $test,
        Unasked $unasked,
        PoseReading $pose,
        ReadPoses $poses,
    ): float {
        return Bound::Exact === $test->shows($unasked->ability)
            && !$pose->full()->isSeenClean()
            && in_array($test, $poses->settling($unasked->ability, $pose->full(), $unasked->leg), true)
            ? $unasked->chanceShort($poses->person->capacities($unasked->leg))
            : 0.0;
    }

    private static function fallOf(
        TestDefinition $test,
        AbilityMargin $margin,
        PoseReading $pose,
        ReadPoses $poses,
    ): float {
        $proves = $test->shows($margin->ability);
        if (null === $proves || State::Open === $margin->state()) {
            return 0.0;
        }
        if (State::Unknown === $margin->state()) {
            if (!in_array($test, $poses->settling($margin->ability, $pose->full(), $margin->leg($pose->side)), true)) {
                return 0.0;
            }
            $known = self::GUESS - self::AFTER;

            // Another lower bound may happen to reach, of the pose itself more likely than of another; it settles
            // nothing when it does not.
            return match (true) {
                Bound::Exact === $proves => $known,
                null !== $margin->capacity => 0.0,
                default => $known * ($test->posture === $pose->posture->id ? self::REACHES_ITSELF : self::REACHES),
            };
        }
        $taken = $poses->person->newest($test->id, $margin->leg($pose->side));
        // One more reading of what was just read decides nothing anew: only one that errs less does.
        if (Bound::AtLeast === $proves || true === $taken?->isClean()) {
            return 0.0;
        }
        $after = min($margin->error, hypot($margin->errorOfAsked, $test->formula->usualError()));

        return Chance::positive(-abs($margin->difference()), $margin->error) -
            Chance::positive(-abs($margin->difference()), $after);
    }
}
