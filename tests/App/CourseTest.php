<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\ClassMember;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\StudioClass;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Planning\CoursePieces;
use LucidAscent\App\Repository\ClassRecords;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use Symfony\Component\Uid\Uuid;

/** The people of a class on several days, each day about one posture, each person on their own rung. */
final class CourseTest extends AppTestCase
{
    private Teacher $teacher;
    /** @var list<Practitioner> */
    private array $people = [];
    private StudioClass $monday;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        foreach (['Anna', 'Bert', 'Carl'] as $name) {
            $person = $this->practitioner($this->teacher, true, $name);
            $this->em()->persist(new Assessment(Uuid::v7(), $person, $this->teacher, new \DateTimeImmutable('-3 days'),
                false, ['soles-together'], [], [], '', true, 0, PainPlace::None, PainKind::Ache));
            $this->people[] = $person;
        }
        $this->em()->flush();
        array_map($this->tested(...), $this->people);
        $this->monday = new StudioClass(Uuid::v7(), $this->teacher, 'Hips', new \DateTimeImmutable('today'), 'Hall',
            [['posture' => 'pigeon', 'minutes' => 5]], new \DateTimeImmutable('-1 hour'));
        $this->records()->save(array_slice($this->people, 0, 2), $this->monday);
        $this->client->loginUser($this->teacher);
    }

    public function testWrongDaysAndThemesAreToldAndMakeNothing(): void
    {
        foreach ([
            [['theme1' => ''], 'Choose what the first day is about.'],
            [['apart' => '0'], 'whole days from 1 to 28'],
            [['apart' => '2.5'], 'whole days from 1 to 28'],
            [['apart' => 'x'], 'whole days from 1 to 28'],
            [['firstOn' => '2020-01-01'], 'from today up to two years'],
            [['firstOn' => '9999-12-31'], 'from today up to two years'],
            [['name' => ' '], 'Enter a name'],
            [['theme2' => 'no-such-posture'], 'Choose a posture from the list.'],
        ] as [$wrong, $fault]) {
            $this->plan($wrong);
            self::assertResponseStatusCodeSame(422);
            self::assertSelectorTextContains('main form', $fault);
        }
        self::assertSame(1, $this->howMany(StudioClass::class));
        $this->em()->createQuery('DELETE FROM '.ClassMember::class.' m')->execute();
        $this->plan([]);
        self::assertSelectorTextContains('main form', 'at least one person');
    }

    public function testEachDayIsAClassOfItsOwnAndTheCourseShowsWhoDoesWhat(): void
    {
        $this->em()->persist(new PainSaid(Uuid::v7(), $this->people[1], $this->teacher,
            new \DateTimeImmutable('-1 hour'), new \DateTimeImmutable('today'), Side::Left, 2, PainPlace::Knee,
            PainKind::Ache, 'told'));
        $this->em()->flush();
        $sent = $this->plan(['theme3' => 'lotus', 'apart' => '14']);
        $page = $this->client->followRedirect();
        $this->client->request('POST', $this->address(), $sent);
        self::assertResponseRedirects((string) parse_url((string) $page->getUri(), PHP_URL_PATH));
        $days = $this->days();
        self::assertSame(['pigeon', 'lotus'], array_column($days, 'theme'), 'A day without a theme is none.');
        self::assertSame(14, $days[0]->heldOn->diff($days[1]->heldOn)->days);
        foreach ($days as $day) {
            self::assertSame(['Anna', 'Bert'], array_column($this->records()->people($day), 'name'));
            self::assertContains($day->theme, $day->postures());
        }
        self::assertStringContainsString('Pigeon', $page->filter('#day-1')->text());
        $text = $page->filter('section')->first()->text();
        self::assertStringContainsString('Not nowBert', $text, 'Whose knee hurts may not.');
        self::assertStringContainsString('Anna', strstr($text, 'Not now', true) ?: '');
        $this->client->click($page->filter('#day-1 a')->link());
        self::assertSelectorTextContains('main', 'Day of a course: Pigeon.');
        $this->client->request('GET', '/classes');
        self::assertSelectorTextContains('main', 'Course: Lotus');
    }

    public function testWhoJoinsComesToTheLaterDaysAndWhatIsDeletedComesBackAsADay(): void
    {
        $this->plan(['theme2' => 'lotus', 'theme3' => 'compass']);
        $days = $this->days();
        $form = $this->client->request('GET', "/classes/{$days[1]->id}/edit")->selectButton('Save class')->form();
        $values = $form->getPhpValues();
        $values['people'][] = (string) $this->people[2]->id;
        $values['class_form']['follow'] = '1';
        $this->client->request('POST', "/classes/{$days[1]->id}/edit", $values);
        self::assertResponseRedirects();
        self::assertSame([2, 3, 3], array_map(fn (StudioClass $day): int => count($this->records()->people($day)),
            $this->days()));
        $this->client->request('GET', "/classes/{$days[1]->id}");
        $this->client->submitForm('Delete class');
        $this->client->followRedirect();
        self::assertCount(2, $this->days());
        $this->client->submitForm('Undo');
        self::assertSame(['pigeon', 'lotus', 'compass'], array_column($this->days(), 'theme'));
        $this->client->request('GET', "/classes/{$this->monday->id}/edit");
        self::assertSelectorNotExists('[name="class_form[follow]"]');
    }

    public function testADayBeginsEasyLeadsToItsThemeAndRestsAndNamesNothingTwice(): void
    {
        $catalogue = self::getContainer()->get(Catalogue::class);
        foreach ($catalogue->all(Kind::Posture) as $id => $posture) {
            if (!$posture['target']) {
                continue;
            }
            $pieces = array_column(self::getContainer()->get(CoursePieces::class)->of($id), 'posture');
            self::assertSame($pieces, array_values(array_unique($pieces)), $id);
            self::assertSame('corpse', $pieces[count($pieces) - 1]);
            self::assertArrayHasKey('warm_up', $catalogue->entry(Kind::Posture, $pieces[0]) ?? [], $id);
            $at = (int) array_search($id, $pieces, true);
            foreach (array_slice(array_keys($posture['relations']['needs'] ?? []), 0, 4) as $needed) {
                self::assertContains($needed, array_slice($pieces, 0, $at), "$id needs $needed before it.");
            }
            self::assertContains($pieces[$at + 1], array_merge(...array_column($posture['rungs'], 'counter')), $id);
        }
    }

    public function testNobodySeesOrMakesACourseOfAnotherTeachersPeople(): void
    {
        $this->plan([]);
        $course = $this->days()[0]->course;
        $this->client->loginUser($this->teacher('other@studio.example'));
        foreach (["/classes/courses/$course", '/classes/courses/none', $this->address()] as $page) {
            $this->client->request('GET', $page);
            self::assertResponseStatusCodeSame(404, $page);
        }
    }

    /**
     * @param array<string, string> $says
     *
     * @return array<string, mixed> what was sent
     */
    private function plan(array $says): array
    {
        $values = $this->client->request('GET', $this->address())->selectButton('Save course')->form()->getPhpValues();
        $values['course_form'] = $says + ['theme1' => 'pigeon'] + $values['course_form'];
        $this->client->request('POST', $this->address(), $values);

        return $values;
    }

    private function address(): string
    {
        return "/classes/{$this->monday->id}/course";
    }

    /** @return list<StudioClass> */
    private function days(): array
    {
        $this->em()->clear();
        $days = $this->em()->getRepository(StudioClass::class)->findBy([], ['heldOn' => 'ASC']);

        return array_values(array_filter($days, static fn (StudioClass $one): bool => null !== $one->course));
    }

    private function records(): ClassRecords
    {
        return self::getContainer()->get(ClassRecords::class);
    }
}
