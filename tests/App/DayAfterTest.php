<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Person\DayAfter;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use Symfony\Component\Uid\Uuid;

/** The question of the day after. */
final class DayAfterTest extends AppTestCase
{
    private Practitioner $person;
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->person = $this->practitioner($teacher);
        $this->home = "/practitioners/{$this->person->id}";
        $this->client->loginUser($teacher);
    }

    public function testItIsAskedOfTheLastDayOfPracticeForThreeDays(): void
    {
        self::assertNull($this->asked(), 'Nobody has practised.');
        $this->practised(0);
        self::assertNull($this->asked(), 'Not on the day itself.');
        $this->practised(4);
        self::assertNull($this->asked(), 'Too long ago.');
        $this->practised(3);
        self::assertSame(Day::of(new \DateTimeImmutable('-3 days')), $this->asked());
        $this->practised(1, PainPlace::Knee);
        self::assertSame(Day::of(new \DateTimeImmutable('-1 day')), $this->asked());
    }

    public function testAnAnswerIsARecordAndIsAskedForOnce(): void
    {
        $this->practised(1, PainPlace::Hamstring);
        $this->client->request('GET', '/');
        self::assertSelectorTextContains('.today-row', 'Ask how the knee is.');
        $this->client->clickLink('Ask');
        self::assertSelectorTextContains('main', 'Ask about this, too: back of the thigh.');
        $this->client->submitForm('Save', []);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('.fault', 'Choose a level');
        $form = $this->client->getCrawler()->selectButton('Save')->form(['after[pain][level]' => '0']);
        $this->client->submit($form);
        self::assertResponseRedirects('/');
        $this->client->submit($form);
        self::assertSame([1, 0], [$this->howMany(PractitionerNote::class), $this->howMany(PainSaid::class)]);
        self::assertNull($this->asked());
        $this->client->request('GET', "$this->home/journal");
        self::assertSelectorTextContains('.journal', 'nothing hurts');
        // What hurts after all holds, whoever has answered before.
        $this->client->request('GET', "$this->home/after");
        self::assertSelectorTextContains('.note', 'nothing to ask today');
        $this->client->submitForm('Save', ['after[pain][level]' => '2', 'after[pain][place]' => 'knee',
            'after[side]' => 'left']);
        self::assertResponseRedirects($this->home);
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'On hold');
    }

    /** What hurts since has answered the question, and a faulty answer is heard. */
    public function testPainSinceThenAnswersIt(): void
    {
        $this->practised(1);
        self::assertNotNull($this->asked());
        $this->client->request('GET', "$this->home/after");
        $this->client->submitForm('Save', ['after[pain][level]' => '3']);
        self::assertResponseStatusCodeSame(422);
        self::assertSame(1, $this->howMany(PainSaid::class), 'Where was not said.');
        self::assertNull($this->asked());
    }

    private function asked(): ?string
    {
        $this->em()->clear();
        $person = $this->em()->find(Practitioner::class, $this->person->id) ?? self::fail();
        $asked = self::getContainer()->get(DayAfter::class)->of($person);

        return null === $asked ? null : Day::of($asked['on']);
    }

    private function practised(int $ago, ?PainPlace $hurt = null): void
    {
        $this->em()->clear();
        $person = $this->em()->find(Practitioner::class, $this->person->id) ?? self::fail();
        $on = new \DateTimeImmutable("-$ago days midnight");
        $this->em()->persist(new RungCheck(Uuid::v7(), $person, $person->teacher, 'half-lotus', Side::Left,
            'lying-knee-drops', $on, $on, null, true, true, null === $hurt ? 0 : 1, $hurt ?? PainPlace::None,
            PainKind::Ache, [], false, ''));
        $this->em()->flush();
    }
}
