<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Mistake;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Person\PersonHistory;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use Symfony\Component\Uid\Uuid;

final class MatPageTest extends AppTestCase
{
    public function testManyPeopleComeByThePageAndByName(): void
    {
        $teacher = $this->teacher();
        $now = new \DateTimeImmutable();
        foreach (range(1, 27) as $i) {
            $this->em()->persist(new Practitioner(Uuid::v7(), $teacher, sprintf('Person %02d', $i), $now, $now));
        }
        $this->em()->persist(new Practitioner(Uuid::v7(), $teacher, '100% _Someone', $now, $now));
        $this->em()->persist(new Practitioner(Uuid::v7(), $this->teacher('other@studio.example'), 'Person of another',
            $now, $now));
        $this->em()->flush();
        $this->client->loginUser($teacher);
        $names = fn (string $address): array => $this->client->request('GET', $address)->filter('h2.person')
            ->each(static fn ($name): string => $name->text());
        self::assertSame('100% _Someone', $names('/')[0]);
        self::assertCount(12, $names('/'));
        self::assertSelectorTextContains('nav[aria-label="Pages"]', 'Page 1 of 3, 28 people');
        $this->client->clickLink('Next');
        self::assertSelectorTextContains('h2.person', 'Person 12');
        self::assertSame(['Person 24', 'Person 25', 'Person 26', 'Person 27'], $names('/?page=3'));
        self::assertSame([], $names('/?page=9'));
        self::assertSelectorTextContains('main', 'Nobody with this name');
        self::assertSame(['Person 07'], $names('/?q=son+07'));
        self::assertInputValueSame('q', 'son 07');
        self::assertSame(['100% _Someone'], $names('/?q='.rawurlencode('% _')),
            'What stands for anything elsewhere stands for itself.');
        self::assertSame([], $names('/?q=another'), 'Nobody else’s.');
        self::assertSame([], $names('/?page=-1&q[]=x') ?: []);
    }

    public function testWhoIsHeldStandsOnTheFirstPageWhateverTheName(): void
    {
        $teacher = $this->teacher();
        foreach (range(1, 12) as $i) {
            $this->practitioner($teacher, name: sprintf('Person %02d', $i));
        }
        $last = $this->practitioner($teacher, name: 'Zz Somebody');
        $unmeasured = $this->practitioner($teacher, false, 'Zy Somebody');
        $this->client->loginUser($teacher);
        $names = fn (string $address): array => $this->client->request('GET', $address)->filter('h2.person')
            ->each(static fn ($name): string => $name->text());
        self::assertSame(['Zy Somebody', 'Person 01'], array_slice($names('/'), 0, 2),
            'A body to measure goes before those for whom nothing is due.');
        self::assertSame(['Person 12', 'Zz Somebody'], $names('/?page=2'));

        $hurt = $this->hurt($last);
        self::assertSame(['Zz Somebody', 'Zy Somebody', 'Person 01'], array_slice($names('/'), 0, 3));
        self::assertSame(['Zz Somebody'], array_slice($names('/?q=some'), 0, 1));
        self::assertSame(['Person 11', 'Person 12'], $names('/?page=2'));

        // Whoever was never measured can have been hurt; and what was entered by mistake holds nobody.
        $this->hurt($unmeasured);
        self::assertSame(['Zy Somebody', 'Zz Somebody'], array_slice($names('/'), 0, 2));
        $this->em()->persist(new Mistake(Uuid::v7(), $last = $this->em()->find(Practitioner::class, $last->id)
            ?? throw new \LogicException(), $last->teacher, new \DateTimeImmutable(), PersonHistory::idOf($hurt),
            'Another person.'));
        $this->em()->flush();
        self::assertSame(['Zy Somebody', 'Person 01'], array_slice($names('/'), 0, 2));
    }

    private function hurt(Practitioner $who): PainSaid
    {
        // A page that was asked for forgets what was here before.
        $who = $this->em()->find(Practitioner::class, $who->id) ?? throw new \LogicException();
        $now = new \DateTimeImmutable('-1 minute');
        $said = new PainSaid(Uuid::v7(), $who, $who->teacher, $now, $now->setTime(0, 0), Side::Left, 6, PainPlace::Knee,
            PainKind::Sharp, 'said');
        $this->em()->persist($said);
        $this->em()->flush();

        return $said;
    }

    /** Who moves, who stands still, who loses something: as of the newest assessment, by what the wanted poses ask. */
    public function testWhoMovesAndWhoStandsStill(): void
    {
        $teacher = $this->teacher();
        $rate = static fn (float $month, float $chance, bool $isAsked = true): array => ['ability' => 'rotation',
            'side' => 'left', 'month' => $month, 'sd' => 0.3, 'chance' => $chance, 'isAsked' => $isAsked,
            'start' => 60.0];
        foreach (['A' => [$rate(1.0, 0.99), $rate(0.1, 0.6)], 'B' => [$rate(0.1, 0.6), $rate(2.0, 0.99, false)],
            'C' => [$rate(1.0, 0.99), $rate(-1.0, 0.97)], 'D' => []] as $name => $rates) {
            $person = $this->practitioner($teacher, name: $name);
            $this->ended($person, new \DateTimeImmutable('-40 days'), [],
                ['rates' => [$rate(-9.0, 1.0)], 'forecasts' => []]);
            $this->ended($person, new \DateTimeImmutable('-5 days'), [], ['rates' => $rates, 'forecasts' => []]);
        }
        $this->practitioner($teacher, name: 'E');
        // What is usual could still be there, and has not been seen: nobody can tell.
        $this->ended($this->practitioner($teacher, name: 'F'), new \DateTimeImmutable('-5 days'), [],
            ['rates' => [$rate(0.3, 0.7)], 'forecasts' => []]);
        $this->em()->flush();
        $this->client->loginUser($teacher);
        $page = $this->client->request('GET', '/');
        self::assertSame(['moves', 'still', 'back'], $page->filter('[data-movement]')
            ->each(static fn ($link): string => (string) $link->attr('data-movement')));
        $this->client->click($page->filter('[data-movement]')->first()->link());
        self::assertSelectorTextContains('h1', 'Progress');
    }

    public function testAFewAreShownWithoutMoreAdo(): void
    {
        $teacher = $this->teacher();
        $this->practitioner($teacher);
        $this->client->loginUser($teacher);
        $this->client->request('GET', '/');
        self::assertSelectorNotExists('nav[aria-label="Pages"]');
        self::assertSelectorNotExists('[role="search"]');
    }
}
