<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentOutcome;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Readiness\Rules;
use LucidAscent\Core\Readiness\State;
use Symfony\Component\Uid\Uuid;

final class PosePageTest extends AppTestCase
{
    private Practitioner $practitioner;
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->practitioner = $this->practitioner($teacher);
        $this->home = "/practitioners/{$this->practitioner->id}";
        $this->client->loginUser($teacher);
    }

    public function testAReadingSaysWhyOnEachSide(): void
    {
        $this->shins(24.0, 14.0, '-3 days');
        $this->client->request('GET', "$this->home/poses/half-lotus");
        self::assertResponseIsSuccessful();
        self::assertSelectorTextContains('.spine', 'Not yet');
        self::assertSelectorTextContains('main', 'Limited by external rotation');
        self::assertSelectorTextContains('main', 'would twist the knee');
        self::assertSelectorTextContains('main', 'the left side has');
        self::assertSelectorTextContains('main', 'Soles together is not measured');
        self::assertSelectorCount(2, '.limiter svg .swing');
        self::assertSelectorCount(2, '.limiter svg .share');
        self::assertSelectorTextContains('.limiter figcaption', 'where external rotation leaves the leg');
    }

    public function testWhatIsThereHasNoWayLeftToGo(): void
    {
        $this->shins(24.0, 24.0, '-3 days');
        $this->client->request('GET', "$this->home/poses/half-lotus", ['if' => ['rotation_left' => '150']]);
        self::assertSelectorCount(1, '.limiter .swing');
        self::assertSelectorTextNotContains('.columns-two > div:first-child', 'where external rotation leaves the leg');
    }

    public function testWhatIfChangesTheAnswerAndNotTheRecord(): void
    {
        $this->shins(24.0, 24.0, '-3 days');
        $this->client->request('GET', "$this->home/poses/shins-stacked",
            ['if' => ['rotation_left' => '120', 'rotation_right' => '500']]);
        self::assertSelectorTextContains('.caution', 'What if: external rotation left 120°');
        self::assertSelectorTextContains('.caution', 'left not yet, right not yet');
        self::assertSelectorTextContains('#if-rotation-right_error1', 'from 0 to 160');
        self::assertSame(2, $this->howMany(Test::class));
    }

    /** What is missing for the next rung is less than for the pose: each says of which it is. */
    public function testWhatIsMissingForTheNextRungIsSaidToBeOfIt(): void
    {
        $this->shins(30.0, 10.0, '-3 days');
        $this->em()->persist(new SeenRung(Uuid::v7(), $this->practitioner, $this->practitioner->teacher,
            new \DateTimeImmutable('-2 days'), 'leg-behind-head', 'lying-cradle', Side::Left, true, [], false, '', 0,
            PainPlace::None, PainKind::Ache));
        $this->em()->flush();
        foreach (["$this->home/poses/leg-behind-head", "$this->home/ladder/leg-behind-head"] as $page) {
            $text = $this->client->request('GET', $page)->filter('main')->text();
            self::assertMatchesRegularExpression('/Next: [^.]+\. [A-Z][a-z ]+: missing [0-9.]+°\./', $text,
                $page);
        }
    }

    public function testTheRouteShowsTerracesAndTheSameInWords(): void
    {
        $this->shins(24.0, 24.0, '-3 days');
        $crawler = $this->client->request('GET', "$this->home/route", ['wanted' => ['lotus', 'no-such-pose']]);
        self::assertResponseIsSuccessful();
        $named = $crawler->filter('svg[data-route] text')->each(static fn ($text): string => $text->text());
        $listed = $crawler->filter('.terraces .mid strong, .helps a')->each(static fn ($text): string => $text->text());
        sort($named);
        sort($listed);
        self::assertSame($named, $listed);
        self::assertSelectorTextContains('main', 'External rotation');
        self::assertSelectorTextContains('main', 'Shortest safe order');
    }

    public function testAHeldPoseIsNotToBeAimedAt(): void
    {
        $this->em()->persist(new Assessment(Uuid::v7(), $this->practitioner, $this->practitioner->teacher,
            new \DateTimeImmutable('-2 days'), false, ['lotus'], [], ['knee-surgery'], '', true, 0, PainPlace::None,
            PainKind::Ache));
        $this->em()->flush();
        $this->client->request('GET', "$this->home/route");
        self::assertSelectorTextContains('.caution', 'do not aim for it now');
        $this->client->request('GET', "$this->home/poses/lotus");
        self::assertSelectorTextContains('main', 'On hold. Only a clearance can end it.');
        $this->client->request('GET', $this->home);
        self::assertSelectorTextContains('main', 'On hold');
    }

    public function testADayIsReadAsTheRecordsKnewItThen(): void
    {
        $old = $this->shins(24.0, 24.0, '-8 days');
        $this->shins(11.5, 11.5, '-2 days', $old);
        $at = function (string $moment): State {
            $poses = self::getContainer()->get(ReadPerson::class)
                ->at($this->practitioner, new \DateTimeImmutable($moment));
            self::assertNotNull($poses);

            return $poses->of('shins-stacked', Side::Left)->full()->state();
        };
        self::assertSame(State::Unknown, $at('-9 days'));
        self::assertSame(State::Short, $at('-5 days'), 'what was corrected only later is as it was');
        self::assertNotSame(State::Short, $at('now'));
        self::assertNull(self::getContainer()->get(ReadPerson::class)
            ->at($this->practitioner, new \DateTimeImmutable('-2 years')));

        $this->client->request('GET', "$this->home/compare",
            ['from' => (new \DateTimeImmutable('-5 days'))->format('Y-m-d')]);
        self::assertSelectorTextContains('main', '70.3°');
        self::assertSelectorTextContains('main', '87.8°');
        $this->client->request('GET', "$this->home/compare", ['from' => '1999-01-01', 'to' => 'nonsense']);
        self::assertSelectorTextContains('main', 'had not been measured');
    }

    public function testAnEndedAssessmentKeepsItsReadingWithTheRules(): void
    {
        $assessment = new Assessment(Uuid::v7(), $this->practitioner, $this->practitioner->teacher,
            new \DateTimeImmutable('-1 hour'), false, ['half-lotus'], ['shins-stacked'], [], '', true, 0,
            PainPlace::None, PainKind::Ache);
        $this->em()->persist($assessment);
        $this->em()->flush();
        $this->client->request('GET', "$this->home/assessments/$assessment->id");
        self::assertSelectorTextContains('.note', 'Best next measurement');
        $this->client->submitForm('End early');
        [$kept] = $this->em()->getRepository(AssessmentOutcome::class)->findAll();
        self::assertSame(Rules::VERSION, $kept->rules);
        self::assertSame(['half-lotus' => ['left' => 'unknown', 'right' => 'unknown']], $kept->states);
        $this->client->request('GET', "$this->home/compare");
        self::assertSelectorTextContains('.reasons', 'The rules have not changed');
    }

    public function testARuleThatHasChangedSaysWhatItChanged(): void
    {
        $this->ended($this->practitioner, new \DateTimeImmutable('-1 day'),
            ['half-lotus' => ['left' => 'open', 'right' => 'unknown'], 'gone' => ['left' => 'near']]);
        $this->em()->flush();
        $this->client->request('GET', "$this->home/compare");
        self::assertSelectorTextContains('.reasons', 'Half lotus, left: was ready, today’s rules say not measured.');
    }

    public function testWithoutABodyTheBodyComesFirst(): void
    {
        $other = $this->practitioner($this->practitioner->teacher, measured: false);
        foreach (['poses/lotus', 'route'] as $page) {
            $this->client->request('GET', "/practitioners/$other->id/$page");
            self::assertResponseRedirects("/practitioners/$other->id/body");
        }
        $this->client->request('GET', "$this->home/poses/no-such-pose");
        self::assertResponseStatusCodeSame(404);
        self::assertSame(1, $this->howMany(BodyMeasures::class));
    }

    public function testWhatHelpsIsWhatTheCatalogueHasAndThisSideMayPractise(): void
    {
        // Turn is short, spread is not: the sitting's knees stay up for want of turn.
        $this->shins(32.0, 32.0, '-3 days');
        $this->taken('frog', ['span' => 98.0]);
        $this->taken('soles-together', ['kneeHeight' => 22.0, 'heelDistance' => 20.0]);
        $crawler = $this->client->request('GET', "$this->home/poses/half-lotus");
        self::assertSelectorTextContains('main', 'Left: external rotation');
        $names = $crawler->filter('.helps')->first()->filter('a')->each(static fn ($link): string => $link->text());
        self::assertContains('Figure four', $names);
        self::assertNotContains('Wide-leg fold', $names, 'It is no remedy for turn.');
        self::assertCount(2, $crawler->filter('.helps'));
        self::assertLessThanOrEqual(7, count($names));

        // Pain in the left knee: that side rests, and nothing is offered to it that the ladder would not.
        $test = new Test(Uuid::v7(), Uuid::v7(), $this->practitioner, $this->practitioner->teacher, 'shins-stacked',
            Side::Left, new \DateTimeImmutable('-1 day'), 'tape', 0.0, 6, PainPlace::InnerKnee, PainKind::Sharp, [],
            Rules::VERSION, null);
        $test->add(['kneeHeight' => 24.0, 'ankleHeight' => 10.0]);
        $this->em()->persist($test);
        $this->em()->flush();
        $poses = self::getContainer()->get(ReadPerson::class)->now($this->practitioner);
        $crawler = $this->client->request('GET', "$this->home/poses/half-lotus");
        foreach ($crawler->filter('.columns-two > div')
            ->reduce(static fn ($side): bool => str_starts_with($side->filter('h3')->text(), 'Left:'))
            ->filter('.helps a') as $link) {
            self::assertInstanceOf(\DOMElement::class, $link);
            $posture = basename($link->getAttribute('href'));
            self::assertTrue(!isset($poses?->postures[$posture]) || null !== $poses->of($posture, Side::Left)
                ->onLadder()->rung, $posture);
        }
    }

    /** @param array<string, float> $values */
    private function taken(string $name, array $values): void
    {
        foreach (Side::cases() as $side) {
            $test = new Test(Uuid::v7(), Uuid::v7(), $this->practitioner, $this->practitioner->teacher, $name, $side,
                new \DateTimeImmutable('-3 days'), 'tape', 0.0, 0, PainPlace::None, PainKind::Ache, [], Rules::VERSION,
                null);
            $test->add($values);
            $this->em()->persist($test);
        }
        $this->em()->flush();
    }

    private function shins(float $left, float $right, string $when, ?Uuid $corrects = null): Uuid
    {
        $entry = Uuid::v7();
        foreach (['left' => $left, 'right' => $right] as $side => $knee) {
            $test = new Test(Uuid::v7(), $entry, $this->practitioner, $this->practitioner->teacher, 'shins-stacked',
                Side::from($side), new \DateTimeImmutable($when), 'tape', 0.0, 0, PainPlace::None, PainKind::Ache, [],
                Rules::VERSION, $corrects);
            $test->add(['kneeHeight' => $knee, 'ankleHeight' => 10.0]);
            $this->em()->persist($test);
        }
        $this->em()->flush();

        return $entry;
    }
}
