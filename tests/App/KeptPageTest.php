<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentOutcome;
use LucidAscent\App\Entity\ClassMember;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Draft;
use LucidAscent\App\Entity\Invitation;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Passkey;
use LucidAscent\App\Entity\PasswordChange;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\SecondFactor;
use LucidAscent\App\Entity\SentForm;
use LucidAscent\App\Entity\Sharing;
use LucidAscent\App\Entity\SharingEnd;
use LucidAscent\App\Entity\SignedIn;
use LucidAscent\App\Entity\StudioClass;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Figure\FigurePictures;
use LucidAscent\App\PageCache\ChangeCounts;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\Uid\Uuid;

/** A page is kept until something that it shows changes, and not a moment longer. */
final class KeptPageTest extends AppTestCase
{
    use ClockSensitiveTrait;

    /** @return iterable<string, array{class-string}> */
    public static function records(): iterable
    {
        foreach ((array) glob(dirname(__DIR__, 2).'/src/Entity/*.php') as $file) {
            $class = 'LucidAscent\App\Entity\\'.basename((string) $file, '.php');
            if (class_exists($class) && array_intersect(['practitioner', 'teacher', 'by'],
                array_map(static fn (\ReflectionProperty $one): string => $one->name, (new \ReflectionClass($class))
                ->getProperties()))) {
                yield basename((string) $file, '.php') => [$class];
            }
        }
    }

    /** @param class-string $class */
    #[DataProvider('records')]
    public function testWhateverIsWrittenAboutAPersonIsCounted(string $class): void
    {
        $practitioner = $this->practitioner($this->teacher());
        $subject = match (true) {
            property_exists($class, 'practitioner'), Practitioner::class === $class,
            SharingEnd::class === $class => $practitioner->id,
            property_exists($class, 'studio') => $practitioner->teacher->studio()->id,
            default => $practitioner->teacher->id,
        };
        if (in_array($class, [Practitioner::class, SentForm::class, SignedIn::class, PasswordChange::class,
            SecondFactor::class, Passkey::class, StudioClass::class, ClassMember::class, Invitation::class], true)) {
            // The person's own row was written just now; how a form was filled in, who is signed in where, a class,
            // and who is invited, are on no page that is kept.
            self::assertGreaterThan(0, $this->changes($practitioner->id));

            return;
        }
        $before = $this->changes($subject);
        $this->em()->persist($this->made($class, $practitioner));
        $this->em()->flush();
        self::assertGreaterThan($before, $this->changes($subject), "$class is written and nobody knows.");
    }

    public function testAChangeOfADraftAndItsEndAreCounted(): void
    {
        $practitioner = $this->practitioner($this->teacher());
        $draft = new Draft(Uuid::v7(), $practitioner, $practitioner->teacher, 'bench', ['a' => 'b'],
            new \DateTimeImmutable());
        $this->em()->persist($draft);
        $counts = [];
        foreach ([static fn () => null, static fn () => $draft->content = ['a' => 'c'], fn () => $this->em()
            ->remove($draft)] as $change) {
            $change();
            $this->em()->flush();
            $counts[] = self::getContainer()->get(ChangeCounts::class)
                ->of([$practitioner->id])[(string) $practitioner->id]['number'];
        }
        self::assertSame($counts[0] + 2, $counts[2]);
        self::assertSame($counts[0] + 1, $counts[1]);
    }

    public function testThoseWhoOnlyReadAndAddCannotTouchTheCount(): void
    {
        $practitioner = $this->practitioner($this->teacher());
        $this->expectExceptionMessageMatches('/denied/');
        $this->em()->getConnection()->executeStatement('UPDATE change_count SET number = 0 WHERE subject = ?',
            [$practitioner->id->toBinary()]);
    }

    public function testAPageSeenAgainIsTheSameAndAsksNothingAboutThePerson(): void
    {
        $practitioner = $this->signedIn();
        $this->tested($practitioner);
        foreach ($this->pages($practitioner) as $page) {
            $first = $this->page($page);
            [$again, $questions] = $this->asked($page);
            self::assertSame($first, $again, $page);
            self::assertLessThanOrEqual(4, $questions,
                "$page: who is signed in, whose page it is, and whether anything has changed.");
        }
    }

    public function testAFirstViewAsksNoMoreForYearsThanForDays(): void
    {
        $practitioner = $this->signedIn();
        $this->tested($practitioner);
        [, $few] = $this->asked("/practitioners/$practitioner->id");
        for ($i = 0; $i < 40; ++$i) {
            $this->tested($practitioner, 10.0 + $i / 10);
        }
        [, $many] = $this->asked("/practitioners/$practitioner->id");
        self::assertSame($few, $many);
        self::assertLessThanOrEqual(8, $many);
        foreach (array_slice($this->pages($practitioner), 1) as $page) {
            $this->say($practitioner);
            [, $questions] = $this->asked($page);
            self::assertLessThanOrEqual(str_ends_with($page, 'progress') ? 13 : 8, $questions, $page);
        }
    }

    public function testPainIsOnEveryPageTheMomentItIsWritten(): void
    {
        $practitioner = $this->signedIn();
        $this->tested($practitioner);
        // Of two days there is nothing to compare while there is one.
        $pages = array_filter([...$this->pages($practitioner), '/'],
            static fn (string $page): bool => !str_ends_with($page, 'compare'));
        $before = array_map($this->page(...), $pages);
        $this->say($practitioner);
        foreach ($pages as $i => $page) {
            self::assertNotSame($before[$i], $this->page($page), $page);
        }
        self::assertStringContainsString('On hold', $this->page('/'));
    }

    public function testAWordThatLiftsIsThereAtOnceAndOneOfAMomentThatHasNotComeOnlyThen(): void
    {
        $practitioner = $this->signedIn();
        $this->tested($practitioner);
        $said = $this->say($practitioner);
        $page = "/practitioners/$practitioner->id";
        self::assertStringContainsString('note caution', $this->page($page));
        // A clock that was ahead when it was written.
        $at = new \DateTimeImmutable('+40 minutes');
        $this->em()->persist(new Clearance(Uuid::v7(), $practitioner, $practitioner->teacher, $at, 'A Clinician',
            ClearanceAuthority::Clinician, new \DateTimeImmutable('today'), 'Show all', true, ["pain:$said->id"]));
        $this->em()->flush();
        self::assertStringContainsString('note caution', $this->page($page));
        self::mockTime('+45 minutes');
        self::assertStringNotContainsString('note caution', $this->page($page), 'The same count, and another answer.');
    }

    public function testWhatIsOfADayIsNotSaidOnTheNext(): void
    {
        $practitioner = $this->signedIn();
        $this->tested($practitioner);
        self::mockTime(new \DateTimeImmutable('+30 days'));
        $this->loginAnew($practitioner->teacher);
        self::assertStringContainsString('35 days ago', $this->page('/'));
        self::mockTime(new \DateTimeImmutable('+31 days'));
        $this->loginAnew($practitioner->teacher);
        self::assertStringContainsString('36 days ago', $this->page('/'));
    }

    public function testASlipCanBeTakenBackFromAPageForADayAndNoLonger(): void
    {
        $practitioner = $this->signedIn();
        self::mockTime('today 09:00');
        $said = $this->say($practitioner, new \DateTimeImmutable('yesterday 10:00'));
        $page = "/practitioners/$practitioner->id";
        self::assertStringContainsString("pain:$said->id", $this->page($page));
        self::assertStringContainsString("pain:$said->id", $this->page($page));
        self::mockTime('today 10:01');
        self::assertStringNotContainsString("pain:$said->id", $this->page($page), 'The same day, an hour later.');
    }

    public function testWhatIsSaidOnceIsNotKeptAndTokensAreOfTheSession(): void
    {
        $practitioner = $this->signedIn();
        $said = $this->say($practitioner);
        $page = "/practitioners/$practitioner->id";
        $this->page($page);
        $this->client->request('GET', $page);
        $this->client->submitForm('Take it back (both stay in the record)', ['why' => '']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('[role="status"]', 'Say why it was a mistake');
        self::assertStringNotContainsString('Say why it was a mistake', $this->page($page));
        $this->client->request('GET', '/account');
        $this->loginAnew($practitioner->teacher);
        $crawler = $this->client->request('GET', $page);
        self::assertStringContainsString("pain:$said->id", (string) $crawler->html());
        $this->client->submitForm('Take it back (both stay in the record)', ['why' => 'The other person.']);
        self::assertResponseRedirects($page);
        $this->client->followRedirect();
        self::assertSelectorTextContains('[role="status"]', 'Taken back');
    }

    public function testAPageIsOfItsTeacherAlone(): void
    {
        $practitioner = $this->signedIn();
        $this->tested($practitioner);
        array_map($this->page(...), $this->pages($practitioner));
        $this->client->loginUser($this->teacher('other@studio.example'));
        foreach ($this->pages($practitioner) as $page) {
            $this->client->request('GET', $page);
            self::assertResponseStatusCodeSame(404);
        }
    }

    public function testATeachersOwnThingsAreOnEveryPageAtOnce(): void
    {
        $practitioner = $this->signedIn();
        $this->tested($practitioner);
        $library = $this->page('/library');
        $journal = $this->page("/practitioners/$practitioner->id/journal");
        $teacher = $this->em()->find(Teacher::class, $practitioner->teacher->id) ?? throw new \LogicException();
        $teacher->moveTo('Pacific/Kiritimati');
        $this->em()->persist(new Practitioner(Uuid::v7(), $teacher, 'Somebody new', new \DateTimeImmutable(),
            new \DateTimeImmutable()));
        $this->em()->flush();
        self::assertStringContainsString('Somebody new', $this->page('/library'));
        self::assertStringNotContainsString('Somebody new', $library);
        self::assertNotSame($journal, $this->page("/practitioners/$practitioner->id/journal"),
            'Its moments are of another zone.');
    }

    public function testAPageOfEverybodyIsKeptUntilSomethingIsWrittenAboutOneOfThem(): void
    {
        $practitioner = $this->signedIn();
        $this->tested($practitioner);
        $teacher = $practitioner->teacher->id;
        $second = new Practitioner(Uuid::v7(), $this->em()->find(Teacher::class, $teacher)
            ?? throw new \LogicException(), 'Second Person', new \DateTimeImmutable('-1 minute'),
            new \DateTimeImmutable('-1 minute'));
        $this->em()->persist($second);
        $this->em()->flush();
        [$mat] = $this->asked('/');
        [$again, $queries] = $this->asked('/');
        self::assertSame($mat, $again);
        self::assertLessThanOrEqual(4, $queries);
        self::assertStringContainsString('Second Person', $mat);
        self::assertStringNotContainsString('A Person', $this->page('/?q=second'));
        self::assertStringContainsString('Second Person', $this->page('/?q=second'));
        $this->say($practitioner);
        [$held] = $this->asked('/');
        self::assertStringContainsString('On hold: Pain', $held);
        self::assertStringNotContainsString('On hold: Pain', $mat);
        $this->say($second);
        [$both] = $this->asked('/');
        self::assertSame(2, substr_count($both, 'On hold: Pain in or around a knee.'),
            'Whoever was never measured can have been hurt.');
        $this->client->loginUser($this->teacher('other@studio.example'));
        self::assertStringNotContainsString('Person', $this->page('/'), 'Another has other people.');
    }

    public function testNoTwoStatesOfEverybodyAreTheSame(): void
    {
        $practitioner = $this->signedIn();
        $of = fn (): string => self::getContainer()->get(ChangeCounts::class)
            ->ofEverybody($practitioner->teacher)['number'];
        $states = [$of()];
        foreach (['Anna', 'Berta'] as $name) {
            $teacher = $this->em()->find(Teacher::class, $practitioner->teacher->id) ?? throw new \LogicException();
            $other = new Practitioner(Uuid::v7(), $teacher, $name, new \DateTimeImmutable('-1 minute'),
                new \DateTimeImmutable('-1 minute'));
            $this->em()->persist($other);
            $this->em()->flush();
            $states[] = $of();
            $this->say($other);
            $states[] = $of();
        }
        // As many changes, of others.
        $this->say($practitioner);
        $states[] = $of();
        self::assertCount(6, array_unique($states));
    }

    public function testAFigureIsDrawnOnceForABodyAndAnotherForAnother(): void
    {
        $tall = Proportions::of(Length::cm(182.0));
        $drawn = [];
        foreach ([['strip', 'left', $tall], ['strip', 'right', $tall], ['card', 'left', $tall],
            ['strip', 'left', Proportions::of(Length::cm(182.0), ['shin.right' => Length::cm(43.0)])],
            ['strip', 'left', null]] as [$size, $side, $person]) {
            self::ensureKernelShutdown();
            $once = self::getContainer()->get(FigurePictures::class)
                ->rung('half-lotus', 'mid-thigh-on-block', $size, $side, $person);
            self::ensureKernelShutdown();
            self::assertSame($once, self::getContainer()->get(FigurePictures::class)
                ->rung('half-lotus', 'mid-thigh-on-block', $size, $side, $person));
            $drawn[] = $once;
        }
        self::assertStringStartsWith('<svg', $drawn[0]);
        self::assertCount(count($drawn), array_unique($drawn));
    }

    public function testAPageAskedForWithWhatItDoesNotKnowIsMadeAnew(): void
    {
        $practitioner = $this->signedIn();
        [, $first] = $this->asked("/practitioners/$practitioner->id?anything=1");
        [, $again] = $this->asked("/practitioners/$practitioner->id?anything=1");
        self::assertGreaterThan(4, $again);
        self::assertLessThanOrEqual($first, $again);
    }

    private function signedIn(): Practitioner
    {
        $practitioner = $this->practitioner($this->teacher());
        $this->client->loginUser($practitioner->teacher);

        return $practitioner;
    }

    /** @return list<string> */
    private function pages(Practitioner $practitioner): array
    {
        return array_map(static fn (string $page): string => "/practitioners/$practitioner->id$page",
            ['', '/poses/half-lotus', '/ladder/half-lotus', '/progress', '/journal', '/route', '/compare', '/why']);
    }

    private function say(Practitioner $practitioner, ?\DateTimeImmutable $at = null): PainSaid
    {
        $practitioner = $this->em()->find(Practitioner::class, $practitioner->id) ?? throw new \LogicException();
        $at ??= new \DateTimeImmutable('-1 minute');
        $said = new PainSaid(Uuid::v7(), $practitioner, $practitioner->teacher, $at, $at->setTime(0, 0), Side::Left, 3,
            PainPlace::InnerKnee, PainKind::Ache, 'said', '', '');
        $this->em()->persist($said);
        $this->em()->flush();

        return $said;
    }

    /** The page without what is of one request. */
    private function page(string $address): string
    {
        $this->client->request('GET', $address);
        self::assertResponseIsSuccessful($address);

        return (string) preg_replace('/name="_(csrf_)?token" value="[^"]*"/', '', (string) $this->client->getResponse()
            ->getContent());
    }

    /** @return array{string, int} the page, and how many questions it put to the database */
    private function asked(string $address): array
    {
        $many = fn (): int => (int) $this->em()->getConnection()
            ->fetchNumeric("SHOW SESSION STATUS LIKE 'Com_select'")[1];
        $before = $many();
        $page = $this->page($address);

        return [$page, $many() - $before];
    }

    private function changes(Uuid $subject): int
    {
        $this->em()->clear();

        return self::getContainer()->get(ChangeCounts::class)->of([$subject])[(string) $subject]['number'];
    }

    /**
     * A record of any kind, with whatever it takes.
     *
     * @param class-string $class
     */
    private function made(string $class, Practitioner $of): object
    {
        $of = $this->em()->find(Practitioner::class, $of->id) ?? throw new \LogicException();
        $values = [];
        foreach ((new \ReflectionClass($class))->getConstructor()?->getParameters() ?? [] as $parameter) {
            $type = (string) $parameter->getType();
            $values[] = match (true) {
                $parameter->allowsNull() => null,
                // An outcome goes by the id of its assessment.
                AssessmentOutcome::class === $class && Uuid::class
                    === $type => $this->persisted($this->made(Assessment::class, $of))->id,
                SharingEnd::class === $class && Uuid::class
                    === $type => $this->persisted($this->made(Sharing::class, $of))->id,
                Uuid::class === $type => Uuid::v7(),
                Practitioner::class === $type => $of,
                Teacher::class === $type => $of->teacher,
                \DateTimeImmutable::class === $type => new \DateTimeImmutable(),
                enum_exists($type) => $type::cases()[0],
                class_exists($type) => $this->persisted($this->made($type, $of)),
                default => ['array' => [], 'bool' => false, 'int' => 1, 'float' => 1.0, 'string' => 'x'][$type],
            };
        }

        return new $class(...$values);
    }

    private function persisted(object $record): object
    {
        $this->em()->persist($record);

        return $record;
    }
}
