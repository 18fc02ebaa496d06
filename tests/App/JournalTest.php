<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\Mistake;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Person\PersonHistory;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Readiness\Rules;
use Symfony\Component\Uid\Uuid;

/** Everything that was written down about a person, in order. */
final class JournalTest extends AppTestCase
{
    private Practitioner $practitioner;
    private Teacher $teacher;
    private string $journal;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->practitioner = $this->practitioner($this->teacher);
        $this->journal = "/practitioners/{$this->practitioner->id}/journal";
        $this->client->loginUser($this->teacher);
    }

    public function testEverythingIsThereInOrder(): void
    {
        $this->records();
        $page = $this->client->request('GET', $this->journal);
        self::assertResponseIsSuccessful();
        $kinds = $page->filter('.journal li')->each(static fn ($li): string => (string) $li->attr('data-kind'));
        // One of each is more than enough to see, and pain that a check said is told as pain as well.
        self::assertSame(['word', 'word', 'pain', 'decision', 'practice', 'pain', 'walk', 'practice', 'plan', 'test',
            'test', 'body'], $kinds);
        $text = $page->filter('.journal')->text();
        foreach (['Breath was easy.', 'not as proposed (go to the next rung)', 'The knee looked tired.',
            'Pain 2 of 10, inner thigh', 'clearance by A Physiotherapist: everything is allowed',
            'taken back as a mistake', 'Soles together', 'clean'] as $said) {
            self::assertStringContainsString($said, $text);
        }
        self::assertSelectorExists("a[href\$=\"/practitioners/{$this->practitioner->id}/progress\"]");
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}");
        self::assertSelectorExists('a[href$="/journal"]');
    }

    /** A log keeps a check of each of its rungs, which the log tells already. */
    public function testALogTellsItsChecks(): void
    {
        $at = new \DateTimeImmutable('-2 days');
        $plan = new PracticePlan(Uuid::v7(), $this->practitioner, $this->teacher, new \DateTimeImmutable('-9 days'),
            Rules::VERSION, ['weeks' => 1, 'days' => ['mon'], 'minutes' => 30], ['weeks' => []], null, '');
        $this->em()->persist($plan);
        $this->em()->persist(new SessionLog(Uuid::v7(), $this->practitioner, $this->teacher, $plan, $at, $at,
            [['posture' => 'pigeon', 'rung' => 'lying', 'side' => 'left', 'holdReached' => true,
                'note' => 'Felt it in the seat.']], null, null, ''));
        $this->em()->persist($this->check($at));
        $this->em()->flush();
        $page = $this->client->request('GET', "$this->journal?kind[]=practice");
        self::assertCount(1, $page->filter('.journal li'));
        self::assertStringContainsString('Felt it in the seat.', $page->filter('.journal .words')->text());
    }

    public function testItIsFilteredByKindAndByWords(): void
    {
        $this->records();
        $kinds = fn (string $query): array => array_values(array_unique($this->client->request('GET',
            "$this->journal?$query")->filter('.journal li')
            ->each(static fn ($li): string => (string) $li->attr('data-kind'))));
        self::assertSame(['pain'], $kinds('kind[]=pain'));
        self::assertSame(['decision', 'plan'], $kinds('kind[]=decision&kind[]=plan'));
        self::assertSelectorExists('input[value="decision"][checked]');
        self::assertSame(['word', 'decision', 'practice', 'walk'], $kinds('words=1'));
        self::assertSame(['walk'], $kinds('words=1&kind[]=walk'));
        self::assertCount(12, $this->client->request('GET',
            "$this->journal?kind[]=nonsense&kind[x][y]=1&page=-3&words[]=1")->filter('.journal li'),
            'What is no kind filters nothing.');
        self::assertSame(['pain'], $kinds('kind=pain'));
    }

    public function testLongJournalsHavePages(): void
    {
        for ($i = 0; $i < 60; ++$i) {
            $this->em()->persist($this->check(new \DateTimeImmutable("-$i days")));
        }
        $this->em()->flush();
        $first = $this->client->request('GET', "$this->journal?kind[]=practice");
        self::assertCount(50, $first->filter('.journal li'));
        $this->client->clickLink('Older');
        self::assertCount(10, $this->client->getCrawler()->filter('.journal li'));
        self::assertSelectorExists('input[value="practice"][checked]', 'The filter goes along.');
        self::assertCount(10, $this->client->request('GET', "$this->journal?kind[]=practice&page=99")
            ->filter('.journal li'));
    }

    public function testNothingWrittenDownIsSaid(): void
    {
        $this->client->request('GET', "$this->journal?kind[]=decision");
        self::assertSelectorTextContains('main', 'Nothing of this kind is recorded.');
    }

    public function testItIsNobodyElses(): void
    {
        $this->client->loginUser($this->teacher('other@studio.example'));
        $this->client->request('GET', $this->journal);
        self::assertResponseStatusCodeSame(404);
    }

    private function check(\DateTimeImmutable $at, int $pain = 0, string $note = ''): RungCheck
    {
        return new RungCheck(Uuid::v7(), $this->practitioner, $this->teacher, 'pigeon', Side::Left, 'lying', $at, $at,
            null, true, true, $pain, 0 === $pain ? PainPlace::None : PainPlace::InnerThigh, PainKind::Stretch, [],
            false, $note);
    }

    private function records(): void
    {
        $at = static fn (int $hours): \DateTimeImmutable => new \DateTimeImmutable("-$hours hours");
        [$who, $by] = [$this->practitioner, $this->teacher];
        $this->tested($who);
        $check = $this->check($at(50), 2, 'Easier than last week.');
        $said = new PainSaid(Uuid::v7(), $who, $by, $at(40), $at(40), Side::Right, 4, PainPlace::OuterHip,
            PainKind::Ache, 'before a session');
        $plan = new PracticePlan(Uuid::v7(), $who, $by, $at(72), Rules::VERSION,
            ['weeks' => 1, 'days' => ['mon'], 'minutes' => 30], ['weeks' => []], null, '');
        foreach ([
            new Assessment(Uuid::v7(), $who, $by, $at(100), false, ['half-lotus'], [], [], '', true, 0, PainPlace::None,
                PainKind::Ache),
            $plan,
            new SessionLog(Uuid::v7(), $who, $by, $plan, $at(60), $at(60), [], 20.0, 18.0, 'Breath was easy.'),
            new SeenRung(Uuid::v7(), $who, $by, $at(55), 'pigeon', 'lying', Side::Left, false, [], false,
                'The pelvis lifts.', 0, PainPlace::None, PainKind::Ache),
            $check,
            new Decision(Uuid::v7(), $check, $who, $by, 'pigeon', Side::Left, $at(45), Step::MoveOn, Step::Stay, [], [],
                'lying', 'The knee looked tired.', Rules::VERSION),
            $said,
            new Clearance(Uuid::v7(), $who, $by, $at(30), 'A Physiotherapist', ClearanceAuthority::Clinician, $at(30),
                'Everything again.', true, [PersonHistory::idOf($said)]),
            new Mistake(Uuid::v7(), $who, $by, $at(20), PersonHistory::idOf($said), 'It was the other person.'),
        ] as $record) {
            $this->em()->persist($record);
        }
        $this->em()->flush();
    }
}
