<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use LucidAscent\Core\Body\BodyError;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\Contact\KneeHug;
use LucidAscent\Core\LegChain\Contact\SolesTogether;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Reading;
use LucidAscent\Core\LegChain\Sampling;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Uncertainty;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SensitivityTest extends TestCase
{
    /** Values of an independent program: all errors and reading errors alone, and rotation per cm of knee height. */
    #[DataProvider('knownErrors')]
    public function testGivesTheKnownErrors(float $heels, float $knee, array $all, array $reading, float $slope): void
    {
        $sensitivity = Sensitivity::of(new KneeAtHeight(new SolesTogether($heels, new Sitting()), $knee),
            SampleBody::leg());
        foreach ([Component::Flexion, Component::Abduction, Component::ExternalRotation] as $i => $component) {
            self::assertEqualsWithDelta($all[$i], $sensitivity->error($component, BodyError::measured()), 0.06);
            self::assertEqualsWithDelta($reading[$i], $sensitivity->readingError($component), 0.06);
        }
        self::assertEqualsWithDelta($slope, $sensitivity->toReading(Component::ExternalRotation, 'kneeHeight'), 0.06);
    }

    /** What is set up, and not read, errs by the body alone; near the vertical as well. */
    #[DataProvider('setUps')]
    public function testWhatIsSetUpErrsByTheBodyAlone(Reading $reading): void
    {
        $read = Sensitivity::of($reading, SampleBody::leg());
        $set = Sensitivity::ofSetUp($reading, SampleBody::leg());
        foreach (array_keys($reading->angles(SampleBody::leg())) as $name) {
            $component = Component::from($name);
            self::assertSame(0.0, $set->readingError($component));
            self::assertEqualsWithDelta($read->withReadingErrors(array_map(static fn (): float => 0.0,
                $reading->readingErrors()))->error($component, BodyError::measured()),
                $set->error($component, BodyError::measured()), 1e-9, $name);
            self::assertGreaterThan(0.1, $read->readingError($component));
        }
    }

    public static function setUps(): iterable
    {
        yield 'soles together' => [new KneeAtHeight(new SolesTogether(20, new Sitting()), 24)];
        yield 'a knee hug' => [new KneeHug(35.0, true)];
        yield 'near the vertical' => [new KneeHug(49.5, true)];
    }

    public static function knownErrors(): iterable
    {
        yield 'heels 10, knee 12' => [10, 12, [5.0, 5.4, 3.9], [2.5, 0.6, 2.7], -3.6];
        yield 'heels 20, knee 24' => [20, 24, [4.2, 2.4, 3.2], [1.2, 0.9, 1.3], -1.8];
        yield 'heels 25, knee 12' => [25, 12, [3.3, 2.4, 2.7], [2.2, 0.5, 2.3], -3.3];
    }

    public function testFirstOrderAgreesWithSamplingWhereTheChainIsNearlyStraight(): void
    {
        $posture = new KneeAtHeight(new SolesTogether(35, new Sitting()), 14);
        $sensitivity = Sensitivity::of($posture, SampleBody::leg());
        $sampled = Sampling::sd($posture, SampleBody::leg(), BodyError::measured(), draws: 20000);
        foreach (Component::cases() as $component) {
            self::assertEqualsWithDelta($sampled[$component->value],
                $sensitivity->error($component, BodyError::measured()), 0.12, $component->value);
        }
    }

    /** What capacity and demand share of the body's error cancels; sampled by an independent program, 20,000 draws. */
    public function testSharedBodyErrorsCancelInAMargin(): void
    {
        $leg = SampleBody::leg();
        $body = BodyError::measured();
        $capacity = new KneeAtHeight(new SolesTogether(20, new Sitting()), 12);
        $demand = new KneeAtHeight(HalfLotus::place(new Sitting()), 12);
        $shared = Sampling::sd($capacity, $leg, $body, $demand, draws: 20000);
        self::assertEqualsWithDelta(2.8, $shared['rotation'], 0.15);
        self::assertEqualsWithDelta(3.0, $shared['flexion'], 0.15);

        $one = Sampling::sd($capacity, $leg, $body, draws: 20000);
        $two = Sampling::sd($demand, $leg, $body, errors: [], draws: 20000, seed: 2);
        self::assertEqualsWithDelta(3.4, hypot($one['rotation'], $two['rotation']), 0.15);
        self::assertEqualsWithDelta(4.2, hypot($one['flexion'], $two['flexion']), 0.15);

        // First order comes close, and shares the body's error in the same way.
        $margin = Sensitivity::of($capacity, $leg)->minus(Sensitivity::of($demand, $leg)
            ->withReadingErrors(['kneeHeight' => 0.0]));
        self::assertEqualsWithDelta($shared['rotation'], $margin->error(Component::ExternalRotation, $body), 0.15);
        self::assertEqualsWithDelta($shared['flexion'], $margin->error(Component::Flexion, $body), 0.15);
    }

    public function testTheSameSeedGivesTheSameError(): void
    {
        $posture = new KneeAtHeight(new SolesTogether(10, new Sitting()), 12);
        $sample = static fn (int $seed): array => Sampling::sd($posture, SampleBody::leg(), BodyError::measured(),
            draws: 200, seed: $seed);
        self::assertSame($sample(3), $sample(3));
        self::assertNotSame($sample(3), $sample(4));
    }

    public function testWhatIsKnownExactlyMovesNothingHoweverSteep(): void
    {
        $steep = new Uncertainty(['thigh' => INF], ['r' => 2.0]);
        self::assertSame(0.0, Uncertainty::moved(INF, 0.0));
        self::assertSame(INF, $steep->error(BodyError::measured()));
        self::assertSame(INF, $steep->minus($steep)->error(BodyError::measured()), 'Nobody can say that they cancel.');
        self::assertSame(0.0, $steep->times(0.0)->error(BodyError::measured()));
        self::assertEqualsWithDelta(5.0, (new Uncertainty([], ['a' => 3.0, 'b' => 4.0]))->readingError(), 1e-12);
    }
}
