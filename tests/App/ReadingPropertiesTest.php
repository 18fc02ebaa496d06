<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Core\Readiness\AbilityMargin;
use LucidAscent\Core\Readiness\PoseReading;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Route\NextReading;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\TestDefinition;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;

/**
 * What holds of every reading of the shipped postures, whoever is read: people made up, of whom some tests were taken
 * and some gates asked.
 */
final class ReadingPropertiesTest extends KernelTestCase
{
    private const PEOPLE = 60;

    public function testNoPoseReadsBetterThanWhatItNeeds(): void
    {
        $seen = [];
        foreach (MadeUpPeople::of(self::getContainer()->get(Catalogue::class), self::PEOPLE) as $who => [$poses]) {
            foreach ($poses->postures as $id => $posture) {
                foreach (Side::cases() as $side) {
                    $pose = $poses->of($id, $side);
                    $seen[$pose->state()->value] = true;
                    foreach ($posture->needs as $need) {
                        $needed = $poses->of($need, $side)->state();
                        // Short, held or waiting itself, it is what comes first.
                        $best = in_array($needed, [State::Short, State::Held], true) ? State::First : $needed;
                        self::assertGreaterThanOrEqual(0, $pose->state()->compare($best),
                            "$id, $side->value, of $who: {$pose->state()->value}, and $need is $needed->value");
                    }
                }
            }
        }
        self::assertEqualsCanonicalizing(array_column(State::cases(), 'value'), array_keys($seen),
            'All of them were met.');
    }

    public function testFirstSaysWhatAndUnknownSaysWhatIsMissing(): void
    {
        $missing = ['ability.unread', 'ability.too-old', 'ability.at-least', 'gate.not-read', 'gate.not-clean',
            'gate.close', 'gate.not-asked', 'gate.first-unknown'];
        foreach (MadeUpPeople::of(self::getContainer()->get(Catalogue::class), self::PEOPLE) as $who => [$poses]) {
            foreach (array_keys($poses->postures) as $id) {
                foreach (Side::cases() as $side) {
                    $pose = $poses->of($id, $side);
                    $codes = array_map(static fn (Reason $reason): string => $reason->code, $pose->reasons());
                    $said = "$id, $side->value, of $who: ".implode(', ', $codes);
                    self::assertSame(State::First === $pose->state(), [] !== $pose->first(), $said);
                    foreach ($pose->first() as $gate) {
                        self::assertContains($gate->reason, $pose->reasons(), $said);
                        '' === $gate->posture ?: self::assertContains($poses->of($gate->posture, $side)->state(),
                            [State::First, State::Short, State::Held], $said);
                    }
                    State::Unknown !== $pose->state() ?: self::assertNotSame([], array_intersect($missing, $codes),
                        $said);
                    State::Short !== $pose->state() ?: self::assertNotSame([],
                        array_intersect(['ability.short', 'body.cannot'], $codes), $said);
                }
            }
        }
    }

    /**
     * A measurement is asked for only where some answer of it would change something; and where none is, none of this
     * body would have.
     */
    public function testTheNextMeasurementChangesAnAnswerAndNoneIsLeftThatWould(): void
    {
        $targets = array_keys(array_filter(self::getContainer()->get(Catalogue::class)->all(Kind::Posture),
            static fn (array $posture): bool => $posture['target']));
        $asked = $left = $telling = 0;
        foreach (MadeUpPeople::of(self::getContainer()->get(Catalogue::class), self::PEOPLE) as $who => [$poses,
            $visit]) {
            foreach (array_slice($targets, 0, 6) as $wanted) {
                $next = NextReading::of([$wanted], $poses);
                if (null !== $next && null !== $next->test && $next->test->isMeasured()) {
                    ++$asked;
                    $of = [$wanted, ...$poses->postures[$wanted]->needs];
                    self::assertTrue(self::isDoubted($next->test, $next->side, $of, $poses)
                        || self::changes($next->test, $next->side, $of, $poses),
                        "$wanted of $who: {$next->test->id}, {$next->side->value}");
                } elseif (null === $next) {
                    foreach (self::notTaken($poses) as [$test, $side]) {
                        ++$left;
                        $read = $visit->read([...$visit->take($test, $side), ...$poses->person->taken],
                            $poses->postures)->person;
                        $told = $poses->with(new Snapshot($read->proportions, $read->evidence, $poses->person->holds,
                            $read->taken, new \DateTimeImmutable(MadeUpPeople::ON), observed: $poses->person->observed,
                            tools: $read->tools));
                        $telling += self::answer([$wanted], $poses, false) === self::answer([$wanted], $told, false) ? 0
                            : 1;
                    }
                }
            }
        }
        self::assertGreaterThan(50, $asked);
        self::assertGreaterThan(50, $left);
        // What nobody asks as a rule is asked above one chance in thirty only.
        self::assertLessThan(0.03 * $left, $telling);
    }

    /** @return iterable<array{TestDefinition, Side}> the measurements that may be taken of her and were not */
    private static function notTaken(ReadPoses $poses): iterable
    {
        foreach ($poses->tests as $test) {
            foreach (Side::cases() as $side) {
                if ($test->isMeasured() && in_array(Bound::Exact, $test->proves, true) && []
                    === $poses->person->holds->on($test->work, $side) && null
                    === $poses->person->newest($test->id, $side)) {
                    yield [$test, $side];
                }
            }
        }
    }

    /**
     * Whether any reading of a test would change a verdict, or where a side stands and what bars it.
     *
     * @param list<string> $of postures
     */
    private static function changes(TestDefinition $test, Side $side, array $of, ReadPoses $poses): bool
    {
        $now = self::answer($of, $poses, true);
        foreach ([0.0, 40.0, 80.0, 100.0, 125.0, 170.0] as $value) {
            $supposed = [];
            foreach ($test->proves as $name => $bound) {
                $ability = Ability::from($name);
                $read = $ability->isLessMore() ? 80.0 - $value : $value;
                // It reads near what is known already, or goes as far as a lower bound at least: a reading that cannot
                // be true tells of another mistake.
                $known = $poses->person->capacities($side)->get($ability);
                if (null !== $known && Bound::Exact === $known->bound) {
                    $read = $known->value + ($value - 85.0) / 5.0;
                } elseif (null !== $known && $ability->compare($read, $known->value) < 0) {
                    $read = $known->value;
                }
                $supposed[] = new Evidence($ability, $read, $bound, Uncertainty::none(), $test->id,
                    on: new \DateTimeImmutable(MadeUpPeople::ON), isIsolating: Bound::Exact === $bound);
            }
            if ($now !== self::answer($of, $poses->with($poses->person->supposing($side, $supposed)), true)) {
                return true;
            }
        }

        // Soles together is a gate besides.
        return 'soles-together' === $test->id && [] !== array_filter(Side::cases(), static fn (Side $one): bool => []
            !== $poses->of($of[0], $one)->full()->gates);
    }

    /**
     * @param list<string> $of postures
     * @param bool $isInPart whether one of two things that are missing counts, though the verdict waits for the other
     *
     * @return list<mixed>
     */
    private static function answer(array $of, ReadPoses $poses, bool $isInPart): array
    {
        $told = static fn (PoseReading $pose): array => [
            $pose->state()->value,
            $pose->onLadder()->rung?->rung->id,
            array_map(static fn (Reason $bar): string => $bar->code, $pose->onLadder()->bars),
            array_map(static fn (AbilityMargin $margin): string => $margin->state()->value, $isInPart ? $pose->full()
                ->margins : []),
        ];
        $answer = [];
        foreach ($of as $id) {
            foreach (Side::cases() as $side) {
                $answer[] = $told($poses->of($id, $side));
            }
        }

        return $answer;
    }

    /**
     * Whether readings speak against each other and this one is the more doubtful: it is taken again, whatever it says.
     *
     * @param list<string> $of postures
     */
    private static function isDoubted(TestDefinition $test, Side $side, array $of, ReadPoses $poses): bool
    {
        foreach ($of as $id) {
            foreach ($poses->of($id, $side)->full()->margins as $margin) {
                if ($margin->capacity?->doubtful($poses->person->proportions->error($side))?->test === $test->id) {
                    return true;
                }
            }
        }

        return false;
    }
}
