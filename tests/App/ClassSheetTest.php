<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Planning\ClassSheet;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use Symfony\Component\Uid\Uuid;

/** A class on one page. */
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
        $this->em()->persist(new PainSaid(Uuid::v7(), $this->people[0], $this->people[0]->teacher,
            new \DateTimeImmutable('-1 hour'), new \DateTimeImmutable('today'), Side::Left, 2, PainPlace::Knee,
            PainKind::Ache, 'told'));
        $this->em()->flush();
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

    public function testThePageAsksForPeopleAndPosturesAndKeepsTheirOrder(): void
    {
        $this->client->request('GET', '/class?people[]=&postures[]=');
        self::assertSelectorTextContains('#no-people', 'at least one person');
        self::assertSelectorTextContains('#no-postures', 'at least one posture');
        $page = $this->client->request('GET', '/class');
        self::assertSelectorNotExists('.fault');
        $form = $page->selectButton('Make sheet')->form();
        foreach (self::boxes($form, 'people') as $box) {
            $box->tick();
        }
        foreach (self::boxes($form, 'postures') as $box) {
            in_array($box->availableOptionValues()[0], ['pigeon', 'soles-together'], true) && $box->tick();
        }
        $page = $this->client->submit($form);
        self::assertSame(['1. Pigeon', '2. Soles together'], $page->filter('.class-posture h2')
            ->each(static fn ($title): string => trim($title->text())));
        self::assertSelectorTextContains('main', '8 people');
        self::assertSelectorTextContains('.class-barred', 'Not measured yet.');
        self::assertSelectorExists('.class-rung svg.figure');
    }

    public function testNobodySeesAnotherTeachersPeople(): void
    {
        $this->client->loginUser($this->teacher('other@studio.example'));
        $this->client->request('GET', '/class?people[]='.$this->people[0]->id.'&postures[]=pigeon');
        self::assertSelectorTextContains('#no-people', 'at least one person');
        self::assertSelectorTextNotContains('main', 'Person 0');
    }

    /** @param list<string> $postures */
    private function sheet(array $postures): array
    {
        return self::getContainer()->get(ClassSheet::class)->of($this->people, $postures);
    }
}
