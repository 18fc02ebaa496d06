<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\LegChain;

use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\Body\UpperBody;
use LucidAscent\Core\Body\UpperLengths;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Contact\Contact;
use LucidAscent\Core\LegChain\Contact\Contacts;
use LucidAscent\Core\LegChain\Contact\CowFace;
use LucidAscent\Core\LegChain\Contact\Cradle;
use LucidAscent\Core\LegChain\Contact\Drawn;
use LucidAscent\Core\LegChain\Contact\FigureFourSeated;
use LucidAscent\Core\LegChain\Contact\Numbers;
use LucidAscent\Core\LegChain\Contact\PigeonFront;
use LucidAscent\Core\LegChain\Contact\SetUp;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegChain;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\LegChain\Vector;
use LucidAscent\Tests\Core\SampleBody;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class ContactNamesTest extends TestCase
{
    public function testAContactIsFoundByItsName(): void
    {
        self::assertSame(PigeonFront::class, Contacts::find('pigeon-front'));
        self::assertSame('pigeon-front', Contacts::name(PigeonFront::class));
    }

    #[TestWith(['no-such-thing'])]
    #[TestWith(['PigeonFront'])]
    #[TestWith(['pigeonfront'])]
    #[TestWith(['pigeon-Front'])]
    #[TestWith(['-pigeon-front'])]
    #[TestWith(['../pigeon-front'])]
    #[TestWith(['seated-contact'], 'a class of the folder that is none')]
    #[TestWith(['ankle-is-placed'], 'an interface')]
    #[TestWith(['contact'])]
    #[TestWith([''])]
    public function testNothingElseIs(string $name): void
    {
        self::assertNull(Contacts::find($name));
    }

    /** @return iterable<string, array{class-string<Contact>}> */
    public static function contacts(): iterable
    {
        foreach (glob(__DIR__.'/../../../core/LegChain/Contact/*.php') ?: [] as $path) {
            $class = 'LucidAscent\\Core\\LegChain\\Contact\\'.basename($path, '.php');
            if (is_subclass_of($class, Contact::class) && class_exists($class)) {
                yield Contacts::name($class) => [$class];
            }
        }
    }

    /** @param class-string<Contact> $contact */
    #[DataProvider('contacts')]
    public function testWhereItsControlsStartThereIsAPostureThatCanBeDrawn(string $contact): void
    {
        self::assertSame($contact, Contacts::find(Contacts::name($contact)));
        $about = $contact::about();
        self::assertNotSame('', $about->label);
        if ([] === $about->controls) {
            self::assertNotNull($about->test, 'What nobody sets up is read by a test.');

            return;
        }
        foreach ($about->controls as $control) {
            self::assertLessThanOrEqual($control->start, $control->least);
            self::assertGreaterThanOrEqual($control->start, $control->most);
        }
        $start = array_column($about->controls, 'start', 'name');
        $posture = $contact::of(new SetUp(self::numbers($start), capacity: new Capacity(130, 80, 130, 160),
            upper: UpperLengths::ofStature(168.0)));
        self::assertNotSame([], $posture->angles(SampleBody::leg()));
        self::assertTrue($posture instanceof ChainReading || $posture instanceof Drawn);
        foreach ($start as $name => $value) {
            self::assertContains($name, [...array_keys($posture->props()), 'kneeOutside'],
                'What can be set can be changed.');
            $numbers = $start;
            unset($numbers[$name]);
            if (in_array($name, ['seat', 'pelvicTilt'], true)) {
                continue;
            }
            try {
                $contact::of(new SetUp(self::numbers($numbers), capacity: new Capacity(130, 80, 130, 160),
                    upper: UpperLengths::ofStature(168.0)));
                self::fail("$name can be left out.");
            } catch (InvalidValue $e) {
                self::assertStringContainsString($name, $e->getMessage());
            }
        }
    }

    /**
     * Its joints are a thigh and a shin apart, its angles are theirs, and how one lies has no part in it.
     *
     * @param class-string<Contact> $contact
     */
    #[DataProvider('contacts')]
    public function testAWholeLegIsTheBodys(string $contact): void
    {
        $start = array_column($contact::about()->controls, 'start', 'name');
        $posture = [] === $start ? null : $contact::of(new SetUp(self::numbers($start),
            capacity: new Capacity(130, 80, 130, 160), upper: UpperLengths::ofStature(168.0)));
        if (!$posture instanceof ChainReading) {
            $this->expectNotToPerformAssertions();

            return;
        }
        $body = SampleBody::leg();
        [$hx, $hy, $hz, $kx, $ky, $kz, $ax, $ay, $az] = $posture->joints($body);
        self::assertEqualsWithDelta($body->thigh, sqrt(($kx - $hx) ** 2 + ($ky - $hy) ** 2 + ($kz - $hz) ** 2), 1e-9);
        self::assertEqualsWithDelta($body->shin, sqrt(($ax - $kx) ** 2 + ($ay - $ky) ** 2 + ($az - $kz) ** 2), 1e-9);
        $pose = $posture->pose($body);
        self::assertSame([[$hx, $hy, $hz], [$kx, $ky, $kz], [$ax, $ay, $az]],
            [$pose->hip->toArray(), $pose->knee->toArray(), $pose->ankle->toArray()]);
        self::assertSame($pose->angles->toArray(), $posture->angles($body));
        $again = LegChain::forward($body, new Sitting($hz - $body->seatedHipHeight, $posture->pelvicTilt()),
            $pose->angles);
        self::assertEqualsWithDelta([$ax, $ay, $az], $again->ankle->toArray(), 1e-6);
        self::assertSame($posture->angles($body), $posture->angles($body->shifted(Segment::LyingHipHeight, 2.0)));
    }

    public function testCrossingOverIsAbductionBelowNought(): void
    {
        $about = CowFace::about();
        self::assertSame([Ability::Adduction, -1.0], $about->ability(Component::Abduction));
        self::assertSame([Ability::ExternalRotation, 1.0], $about->ability(Component::ExternalRotation));
        self::assertSame([Component::Abduction, -1.0], $about->component(Ability::Adduction));
        self::assertNull($about->component(Ability::Abduction), 'It shows none.');
        self::assertNull($about->component(Ability::Balance));
    }

    public function testWhereThePelvisIsAndHowTallOneIs(): void
    {
        $set = new SetUp(self::numbers(['seat' => 4.0, 'pelvicTilt' => 5.0, 'torso' => 48.0]),
            upper: UpperLengths::ofStature(170.0));
        self::assertEquals(new Sitting(4.0, 5.0), $set->sitting());
        self::assertSame(48.0, $set->upper(UpperBody::Torso), 'Measured.');
        self::assertEqualsWithDelta(0.146 * 170.0, $set->upper(UpperBody::Forearm), 1e-9);
        self::assertEquals(new Sitting(9.0), (new SetUp(self::numbers(['seat' => 4.0]), new Sitting(9.0)))->sitting(),
            'What was said otherwise counts.');
        foreach ([static fn (SetUp $set) => $set->upper(UpperBody::Torso), static fn (SetUp $set) => $set->capacity(),
            static fn (SetUp $set) => $set->stature()] as $ask) {
            try {
                $ask(new SetUp(self::numbers([])));
                self::fail('Nobody said.');
            } catch (InvalidValue $e) {
                self::assertStringContainsString('missing', $e->getMessage());
            }
        }
    }

    public function testHalfLotusLiesDeepOrEasy(): void
    {
        $at = static function (string $name): array {
            $posture = (Contacts::find($name) ?? self::fail())::of(new SetUp(self::numbers(['kneeHeight' => 20.0])));
            self::assertInstanceOf(KneeAtHeight::class, $posture);

            return array_diff_key($posture->contact->props(), ['seat' => 0, 'pelvicTilt' => 0]);
        };
        self::assertSame(['forward' => 12.0, 'across' => -2.0, 'above' => 8.0], $at('half-lotus'));
        self::assertSame(['forward' => 22.0, 'across' => -5.0, 'above' => 8.0], $at('half-lotus-easy'));
    }

    /** @param array<string, float> $values */
    public static function numbers(array $values): Numbers
    {
        return new class($values) implements Numbers {
            /** @param array<string, float> $values */
            public function __construct(private array $values)
            {
            }

            public function has(string $name): bool
            {
                return isset($this->values[$name]);
            }

            public function number(string $name, ?float $default = null): float
            {
                return $this->values[$name] ?? $default ?? throw InvalidValue::missing($name);
            }
        };
    }

    /** A thigh that was read beside the ankle is the same thigh once more: the ankle's height says it more closely. */
    public function testOfTheTwoWaysToReadAFigureFourTheAnkleDecides(): void
    {
        $of = static fn (array $numbers): array => FigureFourSeated::of(new SetUp(self::numbers($numbers
            + ['kneeHeight' => 30.0]), new Sitting()))->angles(SampleBody::leg());
        self::assertSame($of(['ankleHeight' => 36.0]), $of(['ankleHeight' => 36.0, 'otherFlexion' => 60.0]));
        self::assertNotSame($of(['ankleHeight' => 36.0]), $of(['otherFlexion' => 60.0]));
    }

    /** Two elbows hold a foot further ahead or across by a hand: that is an error of its own. */
    public function testACradleThatWasReadErrsByWhereTheElbowHoldsTheFoot(): void
    {
        $read = Cradle::of(new SetUp(self::numbers(['kneeHeight' => 45.0, 'ankleHeight' => 38.0]), new Sitting()));
        self::assertInstanceOf(KneeAtHeight::class, $read);
        $contact = $read->contact;
        self::assertSame(['ankleHeight' => 0.7, 'forward' => 3.0, 'across' => 3.0], $contact->readingErrors());
        self::assertEquals(new Vector(20.0, -12.0, 38.0), $contact->ankle(SampleBody::leg()));
        foreach (['ankleHeight' => [20.0, -12.0, 40.0], 'forward' => [22.0, -12.0, 38.0],
            'across' => [20.0, -10.0, 38.0], 'seat' => [20.0, -12.0, 38.0]] as $name => $ankle) {
            self::assertSame($ankle, $contact->shifted($name, 2.0)->ankle(SampleBody::leg())->toArray(), $name);
        }
        self::assertSame(['seat' => 0.0, 'pelvicTilt' => 0.0, 'ankleHeight' => 38.0, 'forward' => 0.0,
            'across' => 0.0], $contact->props());
        $free = new Cradle(50.0, new Sitting());
        self::assertSame([], $free->readingErrors());
        self::assertSame(['seat' => 0.0, 'pelvicTilt' => 0.0], $free->props());
    }
}
