<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\StudioClass;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Planning\ClassSheet;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Readiness\May;
use Symfony\Component\Uid\Uuid;

/** A class: planned, on one page, and what it leaves in people's records. */
final class ClassSheetTest extends AppTestCase
{
    /** @var list<Practitioner> */
    private array $people = [];

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        foreach (range(0, 7) as $i) {
            $this->people[] = $this->practitioner($teacher, 7 !== $i, "Person $i");
        }
        foreach (array_slice($this->people, 0, 7) as $person) {
            $this->em()->persist(new Assessment(Uuid::v7(), $person, $teacher, new \DateTimeImmutable('-3 days'), false,
                ['soles-together'], [], [], '', true, 0, PainPlace::None, PainKind::Ache));
        }
        $this->em()->flush();
        foreach (array_slice($this->people, 0, 7) as $person) {
            $this->tested($person);
        }
        $this->client->loginUser($teacher);
    }

    public function testEachPersonStandsOnTheirRungOrAmongThoseWhoMayNot(): void
    {
        $sheet = $this->sheet(['soles-together', 'pigeon', 'half-lotus']);
        self::assertSame(['soles-together', 'pigeon', 'half-lotus'], array_column($sheet, 'posture'));
        foreach ($sheet as $posture) {
            $named = [...array_merge(...array_map(static fn (array $rung): array => array_column($rung['people'],
                'name'), $posture['rungs'])), ...array_column($posture['barred'], 'name')];
            self::assertEqualsCanonicalizing(array_map(static fn (Practitioner $one): string => $one->name,
                $this->people), array_unique($named), "Nobody is forgotten: $posture[posture]");
            $places = array_map(static fn (array $rung): int => (int) array_search($rung['rung'], self::getContainer()
                ->get(Catalogue::class)->practiceRungs()[$posture['posture']], true), $posture['rungs']);
            $sorted = $places;
            sort($sorted);
            self::assertSame($sorted, $places, 'From the ground up.');
            foreach ($posture['barred'] as $one) {
                self::assertTrue('' === $one['because'] ? 'Person 7' === $one['name'] : true,
                    'Only who was not measured has no other reason.');
            }
        }
    }

    public function testWhoseKneeHurtsMayNotOnThatSide(): void
    {
        $this->hurts($this->people[0], PainPlace::Knee);
        foreach ($this->sheet(['soles-together', 'pigeon', 'cow-face']) as $posture) {
            foreach ($posture['rungs'] as $rung) {
                foreach ($rung['people'] as $one) {
                    self::assertTrue('Person 0' !== $one['name'] || 'right' === $one['side'],
                        "$posture[posture] {$rung['rung']->rung->id}");
                    self::assertTrue('Person 0' !== $one['name'] || $rung['rung']->rung->isForAnybody());
                }
            }
            self::assertContains('Person 0', array_column($posture['barred'], 'name'));
        }
    }

    public function testWhoMayNotIsGivenSomethingThatTheyMay(): void
    {
        $this->hurts($this->people[0], PainPlace::Knee);
        $poses = self::getContainer()->get(ReadPerson::class)->now($this->people[0]) ?? self::fail();
        $given = 0;
        foreach ($this->sheet(array_keys($poses->postures)) as $posture) {
            foreach ($posture['barred'] as $one) {
                $instead = $one['instead'];
                if ('Person 7' === $one['name']) {
                    self::assertNull($instead, 'Of whom nothing was measured nothing can be said.');
                } elseif (null !== $instead && 'Person 0' === $one['name']) {
                    ++$given;
                    $sides = 'both' === $one['side'] || $instead->needsBothSides() ? Side::cases()
                        : [Side::from($one['side'])];
                    foreach ($sides as $side) {
                        self::assertTrue(May::practise($poses, $instead->posture, $instead->rung->id, $side)->isYes(),
                            "$posture[posture]: $instead->posture/{$instead->rung->id} $side->value");
                    }
                }
            }
        }
        self::assertGreaterThan(5, $given);
    }

    public function testPropsAreCountedOverAllWhoNeedThemAtOnce(): void
    {
        $sheet = $this->sheet(['half-lotus', 'pigeon', 'seated-hamstring']);
        $most = [];
        foreach ($sheet as $posture) {
            $of = [];
            foreach ($posture['rungs'] as $rung) {
                foreach ($rung['people'] as $one) {
                    foreach ($rung['rung']->props as $prop => $many) {
                        $of[$prop][$one['name']] = max($many, $of[$prop][$one['name']] ?? 0);
                    }
                }
            }
            foreach ($posture['barred'] as $one) {
                foreach ($one['instead']->props ?? [] as $prop => $many) {
                    $of[$prop][$one['name']] = max($many, $of[$prop][$one['name']] ?? 0);
                }
            }
            foreach ($of as $prop => $each) {
                $most[$prop] = max($most[$prop] ?? 0, array_sum($each));
            }
        }
        ksort($most);
        self::assertNotSame([], $most);
        self::assertSame($most, ClassSheet::props($sheet));
    }

    public function testAClassIsPlannedChangedUsedAgainAndDeleted(): void
    {
        $page = $this->client->request('GET', '/classes');
        self::assertSelectorTextContains('main', 'No class yet.');
        $this->client->click($page->selectLink('New class')->link());
        $this->client->submitForm('Save class');
        self::assertResponseStatusCodeSame(422);
        foreach (['Enter a name', 'at least one person', 'at least one posture'] as $fault) {
            self::assertSelectorTextContains('main', $fault);
        }
        $sent = $this->class(['pigeon' => '12', 'soles-together' => '61'], [0, 1]);
        $this->client->request('POST', '/classes/new', $sent);
        self::assertSelectorTextContains('#no-postures', 'from 1 to 60');
        self::assertSelectorExists('input[value="pigeon"][checked]');
        $this->client->request('POST', '/classes/new', ['minutes' => ['pigeon' => '12']] + $sent);
        $page = $this->client->followRedirect();
        self::assertSame(['1. Pigeon 12 min', '2. Soles together 5 min'], $page->filter('.class-posture h2')
            ->each(static fn ($title): string => (string) preg_replace('/\s+/', ' ', trim($title->text()))));
        self::assertSelectorTextContains('main', '2 people, 17 min.');
        // The same form again makes no second class.
        $this->client->request('POST', '/classes/new', ['minutes' => ['pigeon' => '12']] + $sent);
        self::assertCount(1, $this->em()->getRepository(StudioClass::class)->findAll());

        // Two windows: the second is told, and what it says stays in it.
        $address = $this->address();
        $first = $this->client->request('GET', "$address/edit")->selectButton('Save class')->form();
        $second = $this->client->request('GET', "$address/edit")->selectButton('Save class')->form();
        $first['class_form[place]'] = 'Hall';
        $this->client->submit($first);
        self::assertResponseRedirects();
        $second['class_form[name]'] = 'Other name';
        $this->client->submit($second);
        self::assertSelectorTextContains('main', 'changed in another window');
        $this->client->submitForm('Save class');
        self::assertSelectorTextContains('h1', 'Other name', $this->client->followRedirect()->text());

        $form = $this->client->request('GET', '/classes/new')->selectButton('Save class')->form();
        $form['class_form[name]'] = 'Next week';
        $form['group'] = basename($address);
        $values = $form->getPhpValues();
        $this->client->request('POST', '/classes/new', ['postures' => ['pigeon']] + $values);
        self::assertSelectorTextContains('main', '2 people', $this->client->followRedirect()->text());
        $this->client->request('GET', '/classes/new?of='.basename($address));
        self::assertSelectorExists('input[value="pigeon"][checked]');

        $this->client->request('GET', $address);
        $this->client->submitForm('Delete class');
        self::assertSelectorTextContains('main', 'Class deleted.', $this->client->followRedirect()->text());
        self::assertCount(1, $this->em()->getRepository(StudioClass::class)->findAll());
        $undo = $this->client->getCrawler()->selectButton('Undo')->form();
        $this->client->submit($undo);
        $back = $this->client->followRedirect();
        self::assertSelectorTextContains('h1', 'Other name');
        self::assertSelectorTextContains('main', '2 people', $back->text());
        // Once: a second time there is nothing to bring back.
        $this->client->submit($undo);
        self::assertCount(2, $this->em()->getRepository(StudioClass::class)->findAll());
    }

    public function testWhoCameAndWhatHurtGoIntoTheirRecords(): void
    {
        $this->client->request('POST', '/classes/new', $this->class(['pigeon' => '5'], [0, 1, 2]));
        $address = $this->address();
        $page = $this->client->request('GET', "$address/after");
        [$a, $b, $c] = array_map(fn (int $i): string => (string) $this->people[$i]->id, [0, 1, 2]);
        $sent = ['entry' => $page->filter('input[name=entry]')->attr('value'),
            'came' => [$a => '1', $b => '1'], 'pain' => [
                $a => ['level' => '', 'place' => '', 'kind' => 'ache'],
                $b => ['level' => '4', 'place' => 'knee', 'kind' => 'ache'],
                // Where it hurts was not said: that is no reason not to hear it.
                $c => ['level' => '5', 'place' => '', 'kind' => 'ache'],
            ], 'side' => [$b => 'left']];
        // From a page that was open too long nothing is lost, and nothing is claimed to be kept.
        $this->client->request('POST', "$address/after", $sent + ['_token' => 'old']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('[role=alert]', 'nothing was saved');
        self::assertSelectorExists("#level-$b option[value='4'][selected]");
        self::assertSelectorExists("#side-$b option[value='left'][selected]");
        $token = $page->filter('input[name=_token]')->attr('value');
        foreach ([1, 2] as $time) {
            $this->client->request('POST', "$address/after", $sent + ['_token' => $token]);
            self::assertResponseRedirects();
            self::assertCount(2, $this->em()->getRepository(PainSaid::class)->findAll(), "Sent $time times.");
            self::assertCount(2, $this->em()->getRepository(PractitionerNote::class)->findAll());
        }
        $page = $this->client->request('GET', $address);
        self::assertStringContainsString('2 people came.', $page->text());
        self::assertStringContainsString('Person 1', $page->filter('.class-barred')->text());
        self::assertStringContainsString('Person 2', $page->filter('.class-barred')->text());
        foreach (["/practitioners/$b/journal" => 'Came to class: Hips on Monday',
            "$address/teach" => 'Pigeon'] as $at => $says) {
            $this->client->request('GET', $at);
            self::assertResponseIsSuccessful();
            self::assertSelectorTextContains('main', $says);
        }
        $this->client->request('GET', "$address/after");
        self::assertSelectorTextContains('.class-came', 'Came.');
    }

    public function testPainOfAClassIsHeardWhateverHasBecomeOfItSince(): void
    {
        $this->client->request('POST', '/classes/new', $this->class(['pigeon' => '5'], [0, 1]));
        $address = $this->address();
        $says = fn (int $i): array => ['pain' => [(string) $this->people[$i]->id => ['level' => '4',
            'place' => 'knee', 'kind' => 'ache']], 'side' => [(string) $this->people[$i]->id => 'left']];
        $open = fn (): array => $this->client->request('GET', "$address/after")->selectButton('Save')->form()
            ->getPhpValues();
        $count = fn (): int => count($this->em()->getRepository(PainSaid::class)->findAll());
        $old = $open();
        // The same page twice is one, a page opened anew another: what was taken back or lifted meanwhile holds again.
        $this->client->request('POST', "$address/after", $says(0) + $old);
        $this->client->request('POST', "$address/after", $says(0) + $old);
        self::assertSame(1, $count());
        $this->client->request('POST', "$address/after", $says(0) + $open());
        self::assertSame(2, $count());
        // Without the entry nobody knows that it was sent before: it is heard.
        $this->client->request('POST', "$address/after", $says(0) + array_diff_key($old, ['entry' => 0]));
        self::assertSame(3, $count());
        // From an old window: who was taken out of the class, and a class that is no more.
        $form = $this->client->request('GET', "$address/edit")->selectButton('Save class')->form();
        $this->client->request('POST', "$address/edit", ['people' => [(string) $this->people[0]->id],
            'postures' => ['pigeon']] + $form->getPhpValues());
        $this->client->request('POST', "$address/after", $says(1) + $old);
        self::assertSame(4, $count());
        $this->client->request('GET', $address);
        $this->client->submitForm('Delete class');
        $this->client->request('POST', "$address/after", $says(2) + $old);
        self::assertResponseStatusCodeSame(404);
        self::assertSame(5, $count());
        foreach ([0, 1, 2] as $i) {
            self::assertNotSame([], self::getContainer()->get(ReadPerson::class)->holds($this->people[$i])->active);
        }
        // Nobody says anything of another's people.
        $this->client->loginUser($this->teacher('other@studio.example'));
        $this->client->request('POST', "$address/after", $says(3) + $old);
        self::assertSame(5, $count());
    }

    public function testNobodySeesAnotherTeachersClassOrPeople(): void
    {
        $this->client->request('POST', '/classes/new', $this->class(['pigeon' => '5'], [0]));
        $address = $this->address();
        $class = basename($address);
        $this->client->loginUser($this->teacher('other@studio.example'));
        foreach (['', '/edit', '/teach', '/after'] as $page) {
            $this->client->request('GET', $address.$page);
            self::assertResponseStatusCodeSame(404, $page);
        }
        $this->client->request('GET', "/classes/new?of=$class");
        self::assertResponseStatusCodeSame(404);
        $this->client->request('POST', '/classes/new', ['group' => $class] + $this->class(['pigeon' => '5'], [0]));
        self::assertSelectorTextContains('#no-people', 'at least one person');
        self::assertSelectorTextNotContains('main', 'Person 0');
    }

    private function address(): string
    {
        $class = $this->em()->getRepository(StudioClass::class)->findOneBy([], ['at' => 'DESC']) ?? self::fail();

        return "/classes/$class->id";
    }

    /**
     * @param array<string, string> $minutes by posture
     * @param list<int> $who
     *
     * @return array<string, mixed> what the form of a class sends
     */
    private function class(array $minutes, array $who): array
    {
        $form = $this->client->request('GET', '/classes/new')->selectButton('Save class')->form();
        $form['class_form[name]'] = 'Hips on Monday';

        return ['people' => array_map(fn (int $i): string => (string) $this->people[$i]->id, $who),
            'postures' => array_keys($minutes), 'minutes' => $minutes] + $form->getPhpValues();
    }

    private function hurts(Practitioner $person, PainPlace $place): void
    {
        $this->em()->persist(new PainSaid(Uuid::v7(), $person, $person->teacher, new \DateTimeImmutable('-1 hour'),
            new \DateTimeImmutable('today'), Side::Left, 2, $place, PainKind::Ache, 'told'));
        $this->em()->flush();
    }

    /** @param list<string> $postures */
    private function sheet(array $postures): array
    {
        return self::getContainer()->get(ClassSheet::class)->of($this->people, $postures);
    }
}
