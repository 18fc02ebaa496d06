<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use Eris\Generators;
use Eris\TestTrait;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Exchange\AssessAnswer;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Readiness\State;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;

/** Readiness over the shipped catalogue: the rules' cases, and what has to hold for anybody. */
final class AssessTest extends KernelTestCase
{
    use TestTrait;

    private const BODY = ['thigh' => 41.2, 'shin' => 41.3, 'hipSpacing' => 17, 'seatedHipHeight' => 9,
        'ankleAboveSole' => 6.6];
    private const POSES = ['half-lotus', 'lotus', 'shins-stacked', 'pigeon', 'leg-behind-head', 'cow-face',
        'standing-bind', 'deep-pigeon', 'feet-to-navel'];

    public function testWithoutATestNothingIsKnownAndTheFirstReadingIsNamed(): void
    {
        $answer = self::answer([], ['half-lotus']);
        self::assertSame('unknown', $answer['poses']['half-lotus']['left']['state']);
        self::assertNull($answer['poses']['half-lotus']['left']['chance']);
        self::assertSame('unknown', $answer['restriction']['left']);
        self::assertSame('figure-four-lying', $answer['nextReading']['test'], 'Lying, one minute, and isolates.');
        self::assertNull($answer['keystone']);
        self::assertSame('half-lotus', end($answer['route']['half-lotus']));
    }

    public function testOneKnownShortageIsEnoughAndNamesWhatWouldChangeIt(): void
    {
        $answer = self::answer([self::test('shins-stacked', ['kneeHeight' => 24, 'ankleHeight' => 10]),
            self::test('soles-together', ['kneeHeight' => 16, 'heelDistance' => 20])], ['half-lotus']);
        $left = $answer['poses']['half-lotus']['left'];
        self::assertSame(['short', 'rotation'], [$left['state'], $left['limiter']]);
        $codes = array_column($left['reasons'], 'code');
        self::assertContains('ability.short', $codes);
        $short = $left['reasons'][array_search('ability.short', $codes, true)];
        self::assertGreaterThan(20.0, $short['more']);
        self::assertStringContainsString('External rotation', $short['text']);
        self::assertSame('rotation', $answer['keystone']['component']);
        self::assertArrayNotHasKey('test', $answer['nextReading'] ?? [],
            'A verdict that is settled needs no more numbers.');
        self::assertSame('lying-knee-drops', $answer['nextReading']['rung'],
            'What is gentle is tried: that is how one finds out.');
    }

    /**
     * What is known not to be there yet, in another posture or in a gate, is what comes first; what is missing of this
     * one itself is not.
     */
    public function testWhatComesFirstIsNamedAndOnlyThere(): void
    {
        $knees = static fn (float $out): array => [
            self::test('shins-stacked', ['kneeHeight' => 12, 'ankleHeight' => 16]),
            self::test('heel-to-seat', ['gap' => 0]),
            self::test('soles-together', ['kneeHeight' => 8, 'heelDistance' => $out]),
            self::test('frog', ['span' => 125]),
        ];
        $close = self::answer($knees(8.0), ['lotus', 'half-lotus'])['poses'];
        $out = self::answer($knees(20.0), ['lotus', 'half-lotus'])['poses'];
        foreach (['left', 'right'] as $side) {
            self::assertNotSame('first', $close['half-lotus'][$side]['state']);
            self::assertSame([], $close['half-lotus'][$side]['first']);
            self::assertSame(['first', [['gate' => 'soles-together']]],
                [$out['half-lotus'][$side]['state'], $out['half-lotus'][$side]['first']]);
            self::assertSame('first', $out['lotus'][$side]['state'], 'What waits for what waits, waits.');
            self::assertContains(['posture' => 'half-lotus'], $out['lotus'][$side]['first']);
        }
        // Its own shortage says more than what comes before it.
        $short = self::answer([self::test('shins-stacked', ['kneeHeight' => 26, 'ankleHeight' => 10])],
            ['lotus'])['poses']['lotus']['left'];
        self::assertSame(['short', []], [$short['state'], $short['first']]);
    }

    /** The planted hip of a sage fold is the other leg's: it is asked of that leg, and can be what stops the pose. */
    public function testThePlantedHipIsAskedOfTheOtherLeg(): void
    {
        $hug = static fn (string $side, float $angle): array => ['test' => 'knee-hug', 'side' => $side,
            'tool' => 'inclinometer', 'trials' => [['angle' => $angle]]];
        $poses = self::answer([$hug('left', 140.0), $hug('right', 95.0)],
            ['half-lotus-fold-bind'])['poses']['half-lotus-fold-bind'];
        $planted = static fn (string $side): array => array_values(array_filter($poses[$side]['margins'],
            static fn (array $margin): bool => 'other' === $margin['leg']))[0];
        self::assertSame(['flexion', 'short', 127.0], [$planted('left')['component'], $planted('left')['state'],
            (float) $planted('left')['demand']], 'On the left side the right hip is planted, and it is short.');
        self::assertSame('open', $planted('right')['state']);
        self::assertSame('short', $poses['left']['state']);
        self::assertNotSame('short', $poses['right']['state']);
        self::assertNotSame([], array_filter($poses['left']['reasons'],
            static fn (array $reason): bool => str_starts_with($reason['text'], 'Other side, ')));
    }

    /**
     * Common practice: what is there for anyone, or with a teacher first, begins with something that stiff people can
     * do.
     */
    public function testWhoeverIsStiffFindsAFirstRung(): void
    {
        $angle = static fn (string $test, float $angle): array => ['test' => $test, 'side' => 'both',
            'on' => '2026-03-01', 'tool' => 'inclinometer', 'trials' => [['angle' => $angle]]];
        $stiff = [$angle('knee-hug', 112.0), $angle('leg-raise', 62.0), $angle('thigh-hang', 5.0),
            $angle('inward-turn', 25.0), $angle('overhead-reach', 150.0), self::test('frog', ['span' => 72.0]),
            self::test('heel-to-seat', ['gap' => 28.0]), self::test('shins-stacked',
                ['kneeHeight' => 24.0, 'ankleHeight' => 10.0])];
        $postures = self::getContainer()->get(Catalogue::class)->all(Kind::Posture);
        $postures = array_filter($postures, static fn (array $posture): bool => in_array($posture['level'] ?? '',
            ['anyone', 'teacher-first'], true));
        self::assertGreaterThan(40, count($postures));
        $without = [];
        foreach (self::answer($stiff, array_keys($postures))['poses'] as $id => $sides) {
            if (null === $sides['left']['rung']) {
                $without[$id] = array_column($sides['left']['bars'], 'text');
            }
        }
        self::assertSame([], $without);
    }

    public function testAConditionHoldsAndNamesWhatIsNearestInstead(): void
    {
        $answer = self::answer([self::test('soles-together', ['kneeHeight' => 9, 'heelDistance' => 12])], ['lotus'],
            ['knee-surgery', 'made-up']);
        self::assertSame('held', $answer['poses']['lotus']['right']['state']);
        self::assertContains(['knee-surgery', 'lotus', 'both', 'condition:knee-surgery', 'clinician'],
            array_map(static fn (array $held): array => [$held['code'], $held['posture'], $held['side'], $held['by'],
                $held['ends']], $answer['held']));
        self::assertSame([['condition' => 'made-up', 'code' => 'unknown-condition',
            'because' => 'No caution knows the condition "made-up": nothing deep until somebody has said what it loads.']],
            $answer['unread']);
    }

    public function testPainThatStopsHoldsItsSideAlone(): void
    {
        $hurt = ['pain' => ['where' => 'knee', 'kind' => 'ache', 'level' => 1],
            'side' => 'left'] + self::test('soles-together', ['kneeHeight' => 9, 'heelDistance' => 12]);
        $answer = self::answer([$hurt, ['side' => 'right'] + self::test('soles-together',
            ['kneeHeight' => 9, 'heelDistance' => 12])], ['half-lotus', 'leg-cradle']);
        self::assertSame(['held', 'held'], array_column($answer['poses']['half-lotus'], 'state'),
            'On the right the left knee is folded under.');
        self::assertSame('held', $answer['poses']['leg-cradle']['left']['state']);
        self::assertNotSame('held', $answer['poses']['leg-cradle']['right']['state']);
    }

    public function testWhatIsOldSaysNothingAndWhatIsToComeIsNotRead(): void
    {
        $old = ['on' => '2025-10-01'] + self::test('shins-stacked', ['kneeHeight' => 14, 'ankleHeight' => 10]);
        $answer = self::answer([$old, ['on' => '2026-04-01'] + $old], ['shins-stacked']);
        self::assertSame('unknown', $answer['poses']['shins-stacked']['left']['state']);
        self::assertContains('ability.too-old', array_column($answer['poses']['shins-stacked']['left']['reasons'],
            'code'));
        self::assertCount(1, $answer['unread']);
        self::assertStringContainsString('has not been yet', $answer['unread'][0]['because']);
    }

    public function testReadingsThatContradictAreBothReported(): void
    {
        $answer = self::answer([self::test('shins-stacked', ['kneeHeight' => 14, 'ankleHeight' => 10]),
            self::test('figure-four-lying', ['kneeHeight' => 46, 'ankleHeight' => 39])], ['shins-stacked']);
        self::assertSame('rotation', $answer['contradictory'][0]['component']);
        self::assertCount(2, $answer['contradictory'][0]['readings']);
        self::assertSame('figure-four-lying', $answer['contradictory'][0]['repeat']);
        self::assertSame('figure-four-lying', $answer['nextReading']['test'], 'The more doubtful one is repeated.');
    }

    public function testARouteNeverPutsAPostureBeforeWhatItNeeds(): void
    {
        $postures = self::catalogue()->postures();
        foreach (self::answer([], self::POSES)['route'] as $wanted => $route) {
            self::assertSame($wanted, end($route));
            foreach ($route as $i => $id) {
                foreach ($postures[$id]->needs as $need) {
                    $at = array_search($need, $route, true);
                    self::assertTrue(false === $at || $at < $i, "$need before $id");
                }
            }
        }
    }

    public function testMoreCapacityNeverMakesAStateWorse(): void
    {
        $this->limitTo(25)->forAll(Generators::choose(12, 30), Generators::choose(60, 95), Generators::choose(0, 8),
            Generators::choose(0, 12))->then(function (int $knee, int $span, int $turn, int $wide): void {
                $less = self::states([self::test('shins-stacked', ['kneeHeight' => $knee, 'ankleHeight' => 10]),
                    self::test('frog', ['span' => $span])]);
                $more = self::states([self::test('shins-stacked',
                    ['kneeHeight' => max(11, $knee - $turn), 'ankleHeight' => 10]),
                    self::test('frog', ['span' => min(96, $span + $wide)])]);
                foreach ($less as $pose => $state) {
                    self::assertLessThanOrEqual(0, $more[$pose]->compare($state),
                        "$pose from $state->value to {$more[$pose]->value}");
                }
            });
    }

    public function testANewCautionNeverOpensAnything(): void
    {
        $conditions = array_keys(self::catalogue()->conditions());
        $this->limitTo(25)->forAll(Generators::choose(8, 34), Generators::elements($conditions),
            Generators::elements($conditions))->then(function (int $knee, string $one, string $other): void {
                $tests = [self::test('shins-stacked', ['kneeHeight' => $knee, 'ankleHeight' => 10]),
                    self::test('soles-together', ['kneeHeight' => 12, 'heelDistance' => 14])];
                $free = self::states($tests, [$one]);
                foreach (self::states($tests, [$one, $other]) as $pose => $state) {
                    self::assertGreaterThanOrEqual(0, $state->compare($free[$pose]), "$pose with $other");
                }
            });
    }

    public function testSidesSwappedSwapTheAnswers(): void
    {
        $this->limitTo(15)->forAll(Generators::choose(8, 34), Generators::choose(8, 34))
            ->then(function (int $left, int $right): void {
                $of = static fn (int $l, int $r): array => self::answer([
                    ['side' => 'left'] + self::test('shins-stacked', ['kneeHeight' => $l, 'ankleHeight' => 10]),
                    ['side' => 'right'] + self::test('shins-stacked', ['kneeHeight' => $r, 'ankleHeight' => 10]),
                    ['side' => 'left'] + self::test('soles-together', ['kneeHeight' => $l, 'heelDistance' => 18]),
                    ['side' => 'right'] + self::test('soles-together', ['kneeHeight' => $r, 'heelDistance' => 18]),
                ], self::POSES);
                [$one, $other] = [$of($left, $right), $of($right, $left)];
                foreach (self::POSES as $pose) {
                    self::assertSame($one['poses'][$pose]['left']['state'], $other['poses'][$pose]['right']['state']);
                    self::assertSame($one['poses'][$pose]['left']['rung'], $other['poses'][$pose]['right']['rung']);
                }
                self::assertSame($one['restriction'], ['left' => $other['restriction']['right'],
                    'right' => $other['restriction']['left']]);
            });
    }

    public function testUnknownNeverReadsAsOpen(): void
    {
        foreach (self::answer([self::test('frog', ['span' => 95])], self::POSES)['poses'] as $pose => $sides) {
            foreach ($sides as $side) {
                self::assertNotContains($side['state'], ['open', 'near'], $pose);
            }
        }
    }

    public function testTheCommandPrintsTheSame(): void
    {
        $document = ['on' => '2026-03-02', 'body' => self::BODY,
            'conditions' => [['id' => 'knee-surgery'], 5, 'made-up'], 'tests' => [self::test('frog', ['span' => 80])],
            'wanted' => ['lotus', 'no-such-pose'], 'school' => 'no-such-school'];
        [$status, $out, $err] = CommandLine::run('ascent:assess', (string) json_encode($document));
        self::assertSame([0, ''], [$status, $err]);
        $answer = json_decode($out, true);
        self::assertSame(['unknown-pose', 'unknown-condition', 'unknown-condition', 'unknown-school'],
            array_column($answer['unread'], 'code'));
        self::assertSame(['knee-surgery', '5', 'made-up'], array_values(array_unique(array_column($answer['held'],
            'code'))), 'What nobody knows holds every deep rung, and is named.');
        self::assertSame(['left', 'right'], array_keys($answer['poses']['lotus']));
        self::assertArrayHasKey('flexion', $answer['norms']);
        [$status, , $err] = CommandLine::run('ascent:assess', '{"on":"2026-02-31","body":{"stature":170},"tests":[]}');
        self::assertSame(2, $status);
        self::assertStringContainsString('on', $err);
    }

    /**
     * @param array<string, float|int> $trial
     *
     * @return array<string, mixed>
     */
    private static function test(string $id, array $trial): array
    {
        return ['test' => $id, 'side' => 'both', 'on' => '2026-03-01', 'trials' => [$trial]];
    }

    /**
     * @param list<array<string, mixed>> $tests
     * @param list<string> $conditions
     *
     * @return array<string, State> by pose and side
     */
    private static function states(array $tests, array $conditions = []): array
    {
        $states = [];
        foreach (self::answer($tests, self::POSES, $conditions)['poses'] as $pose => $sides) {
            foreach ($sides as $side => $reading) {
                $states["$pose $side"] = State::from($reading['state']);
            }
        }

        return $states;
    }

    /**
     * @param list<array<string, mixed>> $tests
     * @param list<string> $wanted
     * @param list<string> $conditions
     *
     * @return array<string, mixed>
     */
    private static function answer(array $tests, array $wanted, array $conditions = []): array
    {
        $answer = self::getContainer()->get(AssessAnswer::class)
            ->of(Fields::of(['on' => '2026-03-02', 'body' => self::BODY, 'conditions' => $conditions, 'tests' => $tests,
                'wanted' => $wanted]));

        return json_decode((string) json_encode($answer), true);
    }

    private static function catalogue(): Catalogue
    {
        return self::getContainer()->get(Catalogue::class);
    }
}
