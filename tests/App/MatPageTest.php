<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Practitioner;
use Symfony\Component\Uid\Uuid;

final class MatPageTest extends AppTestCase
{
    public function testManyPeopleComeByThePageAndByName(): void
    {
        $teacher = $this->teacher();
        $now = new \DateTimeImmutable();
        foreach (range(1, 23) as $i) {
            $this->em()->persist(new Practitioner(Uuid::v7(), $teacher, sprintf('Person %02d', $i), $now, $now));
        }
        $this->em()->persist(new Practitioner(Uuid::v7(), $teacher, '100% _Someone', $now, $now));
        $this->em()->persist(new Practitioner(Uuid::v7(), $this->teacher('other@studio.example'), 'Person of another', $now, $now));
        $this->em()->flush();
        $this->client->loginUser($teacher);
        $names = fn (string $address): array => $this->client->request('GET', $address)->filter('h2.person')->each(static fn ($name): string => $name->text());
        self::assertSame('100% _Someone', $names('/')[0]);
        self::assertCount(10, $names('/'));
        self::assertSelectorTextContains('nav[aria-label="Pages"]', 'Page 1 of 3, 24 people');
        $this->client->clickLink('After');
        self::assertSelectorTextContains('h2.person', 'Person 10');
        self::assertSame(['Person 20', 'Person 21', 'Person 22', 'Person 23'], $names('/?page=3'));
        self::assertSame([], $names('/?page=9'));
        self::assertSelectorTextContains('main', 'Nobody of this name');
        self::assertSame(['Person 07'], $names('/?q=son+07'));
        self::assertInputValueSame('q', 'son 07');
        self::assertSame(['100% _Someone'], $names('/?q='.rawurlencode('% _')), 'What stands for anything elsewhere stands for itself.');
        self::assertSame([], $names('/?q=another'), 'Nobody else’s.');
        self::assertSame([], $names('/?page=-1&q[]=x') ?: []);
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
