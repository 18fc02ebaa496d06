<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\OtherLoad;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Exchange\PersonDocument;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Practice\ElsewhereKind;
use Symfony\Component\Uid\Uuid;

/** Classes, teaching and other sport: written down by both, counted in load, and heeded by sessions. */
final class ElsewhereTest extends AppTestCase
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

    public function testWhatIsWrongIsSaidBesideTheFieldAndNothingIsKeptTwice(): void
    {
        $this->client->request('GET', "$this->home/elsewhere");
        $save = fn (string $what, string $minutes, string $on): mixed => $this->client->submitForm('Save', [
            'elsewhere[what]' => $what, 'elsewhere[minutes]' => $minutes, 'elsewhere[doneOn]' => $on]);
        $today = date('Y-m-d');
        foreach ([['', '30', $today, 'Choose what it was.'], ['running', '', $today, 'Enter the minutes.'],
            ['running', '1800', $today, 'Enter 1 to 600 minutes.'], ['running', 'long', $today, 'Enter whole minutes.'],
            ['running', '30', '2099-01-01', 'not in the future'],
            ['running', '30', '', 'day']] as [$what, $minutes, $on, $says]) {
            $save($what, $minutes, $on);
            self::assertResponseStatusCodeSame(422);
            self::assertSelectorTextContains('.fault', $says);
        }
        $form = $this->client->getCrawler()->selectButton('Save')->form(['elsewhere[what]' => 'running',
            'elsewhere[minutes]' => '600', 'elsewhere[doneOn]' => $today]);
        $this->client->submit($form);
        $this->client->submit($form);
        self::assertSame(1, $this->howMany(OtherLoad::class));
        $this->client->request('GET', "$this->home/elsewhere");
        $save('cycling', '361', $today);
        self::assertSelectorTextContains('.fault', 'more than anybody does');
        $save('cycling', '360', $today);
        self::assertSame(2, $this->howMany(OtherLoad::class));
        $this->client->request('GET', "$this->home/journal");
        self::assertSelectorTextContains('.journal', 'Running');
    }

    public function testAClassTodayLeavesDeepWorkOutAndAnHourKeepsHoldsShort(): void
    {
        $this->tested($this->person, 12.0, 16.0);
        $this->client->request('GET', "$this->home/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '2']);
        $before = $this->session();
        $this->done(ElsewhereKind::Running, 60);
        $after = $this->session();
        self::assertSame(array_column($before, 'rung'), array_column($after, 'rung'), 'Nothing is taken out.');
        self::assertLessThanOrEqual(array_sum(array_column($before, 'seconds')),
            array_sum(array_column($after, 'seconds')));
        $this->done(ElsewhereKind::Lesson, 75);
        foreach ($this->session() as $item) {
            self::assertTrue('work' !== $item['phase'] || $item['gentle'], $item['rung']);
        }
        $isAnyDeep = [] !== array_filter($before, static fn (array $item): bool => 'work' === $item['phase']
            && !$item['gentle']);
        $isAnyDeep && self::assertSelectorTextContains('.session-arrive', 'Another class today (75 min).');
        $this->client->request('GET', "$this->home/progress");
        self::assertSelectorTextContains('.load', 'other activity: 135 min');
    }

    public function testADocumentSaysItToo(): void
    {
        $read = self::getContainer()->get(PersonDocument::class)->read(Fields::of(['on' => '2026-03-09',
            'body' => ['stature' => 170], 'tests' => [], 'wanted' => ['half-lotus'], 'elsewhere' => [
                ['kind' => 'lesson', 'minutes' => 75, 'on' => '2026-03-08'], ['kind' => 'chess', 'minutes' => 5],
                ['kind' => 'running', 'minutes' => 1800], ['kind' => 'running', 'minutes' => 5, 'on' => '2026-03-10'],
                'x']]));
        self::assertCount(1, $read->poses->person->elsewhere);
        self::assertSame(ElsewhereKind::Lesson, $read->poses->person->elsewhere[0]->kind);
        self::assertSame(['elsewhere[1]', 'elsewhere[2]', 'elsewhere[3]', 'elsewhere[4]'],
            array_values(array_filter(array_column($read->unread, 'elsewhere'))));
    }

    /** @return list<array<string, mixed>> the items of the plan's first session, as it may be done now */
    private function session(): array
    {
        $plan = $this->em()->getRepository(PracticePlan::class)->findAll()[0];
        $page = $this->client->request('GET', "$this->home/plans/$plan->id/sessions/0-0");

        return json_decode((string) $page->filter('[data-session]')->attr('data-session'), true);
    }

    private function done(ElsewhereKind $kind, int $minutes): void
    {
        $this->em()->clear();
        $person = $this->em()->find(Practitioner::class, $this->person->id) ?? self::fail();
        $plan = $this->em()->getRepository(PracticePlan::class)->findAll()[0];
        $on = new \DateTimeImmutable($plan->plan['weeks'][0]['sessions'][0]['date']);
        $this->em()->persist(new OtherLoad(Uuid::v7(), $person, $person->teacher, new \DateTimeImmutable(), $on, $kind,
            $minutes));
        $this->em()->flush();
    }
}
