<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Person\PersonHistory;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Repository\TestRecords;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\History\StandingTests;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Testing\TakenTest;
use Symfony\Component\Uid\Uuid;

/** What is read of years is what can tell anything: what is not too old, and what was known last. */
final class YearsOfTestsTest extends AppTestCase
{
    public function testWhatIsTooOldIsReadOnlyWhereNothingNewerIsThere(): void
    {
        $practitioner = $this->known();
        foreach ([10, 80, 200] as $days) {
            $this->took($practitioner, 'soles-together', $days, ['kneeHeight' => 14.0, 'heelDistance' => 20.0]);
        }
        foreach ([150, 230, 260] as $days) {
            $this->took($practitioner, 'shins-stacked', $days,
                ['kneeHeight' => 12.0 + $days / 100, 'ankleHeight' => 10.0]);
        }
        // Compensated since: what was taken cleanly before it is still what was known last.
        $this->took($practitioner, 'frog', 5, ['span' => 90.0], compensations: ['lumbar-arch']);
        $this->took($practitioner, 'frog', 300, ['span' => 90.0]);
        $this->em()->flush();
        self::assertSame(['frog 5', 'soles-together 10', 'soles-together 80', 'shins-stacked 150', 'shins-stacked 230',
            'frog 300'], $this->read($practitioner));
        self::assertSame(['shins-stacked 150', 'soles-together 200', 'shins-stacked 230', 'frog 300'],
            $this->read($practitioner, 140), 'As it was then.');
        $rotation = self::getContainer()->get(ReadPerson::class)->now($practitioner)?->person->capacities(Side::Left)
            ->get(Ability::ExternalRotation);
        self::assertNotNull($rotation);
        $flexion = self::getContainer()->get(ReadPerson::class)->now($practitioner)?->person->capacities(Side::Left)
            ->get(Ability::Abduction);
        self::assertSame('10', $flexion?->on()?->diff(new \DateTimeImmutable())->format('%a'));
    }

    public function testOneThatHasJustGrownTooOldHidesNoneBeforeIt(): void
    {
        $practitioner = $this->known();
        foreach ([91, 148] as $days) {
            $this->took($practitioner, 'shins-stacked', $days, ['kneeHeight' => 14.0, 'ankleHeight' => 10.0]);
        }
        $this->em()->flush();
        self::assertSame(['shins-stacked 91', 'shins-stacked 148'], $this->read($practitioner));
        self::assertSame(['shins-stacked 91'], $this->read($practitioner, 10), 'It counts still.');
    }

    public function testACorrectionIsOfTheDayOfWhatItCorrectsHoweverLongAgo(): void
    {
        $practitioner = $this->known();
        $first = $this->took($practitioner, 'shins-stacked', 200, ['kneeHeight' => 30.0, 'ankleHeight' => 10.0]);
        $second = $this->took($practitioner, 'shins-stacked', 150, ['kneeHeight' => 25.0, 'ankleHeight' => 10.0],
            corrects: $first);
        $this->took($practitioner, 'shins-stacked', 1, ['kneeHeight' => 20.0, 'ankleHeight' => 10.0],
            corrects: $second);
        $this->em()->flush();
        foreach ([160 => 30.0, 100 => 25.0, 0 => 20.0] as $daysAgo => $knee) {
            self::assertSame(['shins-stacked 200'], $this->read($practitioner, $daysAgo));
            self::assertSame($knee, $this->standing($practitioner, $daysAgo)[0]->measure('kneeHeight')->mean(),
                'As it was known then.');
        }
        $person = self::getContainer()->get(ReadPerson::class)->now($practitioner)?->person;
        self::assertSame('200', $person?->taken[0]->on?->diff(new \DateTimeImmutable())->format('%a'),
            'Through every correction.');
        self::assertNull($person->newest('shins-stacked', Side::Left),
            'Taken down anew today, it is as old as it was.');
    }

    public function testPainOfYearsAgoHoldsUntilItIsLifted(): void
    {
        $practitioner = $this->known();
        $hurt = $this->took($practitioner, 'soles-together', 700, ['kneeHeight' => 14.0, 'heelDistance' => 20.0],
            [3, PainPlace::InnerKnee, PainKind::Ache]);
        $this->took($practitioner, 'soles-together', 699, ['kneeHeight' => 14.0, 'heelDistance' => 20.0],
            corrects: $hurt);
        $this->took($practitioner, 'frog', 600, ['span' => 90.0], [0, PainPlace::Groin, PainKind::LastingNumbness]);
        $this->took($practitioner, 'frog', 1, ['span' => 90.0]);
        $this->em()->flush();
        $active = self::getContainer()->get(ReadPerson::class)->holds($practitioner)->active;
        self::assertCount(4, $active, 'The knee and what is numb, of either side.');
    }

    public function testWhateverIsFeltIsFoundInTheIndex(): void
    {
        $practitioner = $this->known();
        $felt = [];
        foreach ([0, 1, 10] as $level) {
            foreach (PainPlace::cases() as $place) {
                foreach (PainKind::cases() as $kind) {
                    $entry = $this->took($practitioner, 'frog', 900, ['span' => 90.0], [$level, $place, $kind]);
                    if ((new Pain($level, $place, $kind))->isFelt()) {
                        $felt[] = (string) $entry;
                    }
                }
            }
        }
        $this->em()->flush();
        $this->em()->clear();
        $found = array_unique(array_map(static fn (Test $test): string => (string) $test->entryId, self::getContainer()
            ->get(TestRecords::class)->testsThatHurt($practitioner)));
        self::assertEqualsCanonicalizing($felt, array_values($found), 'What hurt holds, and is never left unread.');
    }

    public function testAPersonsPageShowsTheNewestAndAllOnRequest(): void
    {
        $teacher = $this->teacher();
        $practitioner = $this->practitioner($teacher);
        foreach (range(1, 23) as $days) {
            $this->took($practitioner, 'frog', $days, ['span' => 60.0 + $days]);
        }
        $wrong = $this->took($practitioner, 'frog', 0, ['span' => 10.0]);
        $this->took($practitioner, 'frog', 0, ['span' => 59.0], corrects: $wrong);
        $this->em()->flush();
        $this->client->loginUser($teacher);
        $shown = fn (string $more): array => $this->client->request('GET', "/practitioners/$practitioner->id$more")
            ->filter('ul.timeline > li .what')
            ->each(static fn ($entry): string => (string) preg_replace('/\D+(\d+).*/s', '$1', $entry->text()));
        $newest = $shown('');
        self::assertSame(['59', '61', '62'], array_slice($newest, 0, 3));
        self::assertCount(20, $newest);
        $this->client->clickLink('Show older entries');
        self::assertCount(24, $shown('?all=1'));
        self::assertSelectorTextNotContains('main', 'Show older entries');
    }

    /**
     * @param array<string, float> $reading
     * @param array{int, PainPlace, PainKind} $pain
     * @param list<string> $compensations
     */
    private function took(
        Practitioner $practitioner,
        string $test,
        int $daysAgo,
        array $reading,
        array $pain = [0, PainPlace::None, PainKind::Ache],
        array $compensations = [],
        ?Uuid $corrects = null,
    ): Uuid {
        $entry = Uuid::v7();
        foreach (Side::cases() as $side) {
            $taken = new Test(Uuid::v7(), $entry, $practitioner, $practitioner->teacher, $test, $side,
                new \DateTimeImmutable("-$daysAgo days"), 'tape', 0.0, $pain[0], $pain[1], $pain[2], $compensations,
                '4', $corrects);
            $taken->add($reading);
            $this->em()->persist($taken);
        }

        return $entry;
    }

    /** Somebody whose body was measured long ago. */
    private function known(): Practitioner
    {
        $practitioner = $this->practitioner($this->teacher(), false);
        $this->em()->persist(new BodyMeasures(Uuid::v7(), $practitioner, $practitioner->teacher,
            new \DateTimeImmutable('-20 years'), 168.0, ['thigh.left' => 41.2, 'shin.left' => 41.3], []));
        $this->em()->flush();

        return $practitioner;
    }

    /** @return list<TakenTest> as they stood then */
    private function standing(Practitioner $practitioner, int $daysAgo): array
    {
        $moment = new \DateTimeImmutable("-$daysAgo days");

        return StandingTests::at(self::getContainer()->get(PersonHistory::class)->at($practitioner, $moment), $moment);
    }

    /** @return list<string> the tests of the left side that are read, with their age in days */
    private function read(Practitioner $practitioner, int $daysAgo = 0): array
    {
        $left = array_filter(
            $this->standing($practitioner, $daysAgo),
            static fn (TakenTest $test): bool => Side::Left === $test->side,
        );

        return array_values(
            array_map(
                static fn (TakenTest $test): string => $test->test.' '
                    .$test->at?->diff(new \DateTimeImmutable())->format('%a'),
                $left,
            ),
        );
    }
}
