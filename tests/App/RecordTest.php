<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Device\PictureStore;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentEnd;
use LucidAscent\App\Entity\AssessmentOutcome;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\FeltInRung;
use LucidAscent\App\Entity\FromPractitioner;
use LucidAscent\App\Entity\HomeTestsAllowed;
use LucidAscent\App\Entity\LabSetup;
use LucidAscent\App\Entity\Mistake;
use LucidAscent\App\Entity\OtherLoad;
use LucidAscent\App\Entity\OwnPicture;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Entity\ToolSettings;
use LucidAscent\App\Exchange\AssessAnswer;
use LucidAscent\App\Exchange\Record\InvalidRecord;
use LucidAscent\App\Exchange\Record\KeepRecord;
use LucidAscent\App\Exchange\Record\RecordDocument;
use LucidAscent\App\Exchange\Record\RecordKinds;
use LucidAscent\App\Exchange\Record\RecordSchema;
use LucidAscent\App\Exchange\Record\RecordTable;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Repository\PictureRecords;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Practice\ElsewhereKind;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Readiness\Rules;
use LucidAscent\Tests\Core\Readiness\Person;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Uid\Uuid;

/** A person's whole record goes out, and comes in somewhere else with nothing lost, nothing doubled and every hold. */
final class RecordTest extends AppTestCase
{
    private const PEOPLE = 12;

    private \Random\Randomizer $random;

    protected function setUp(): void
    {
        parent::setUp();
        $this->random = new \Random\Randomizer(new \Random\Engine\Mt19937(4711));
    }

    public function testARecordInAnotherAccountIsTheSameRecord(): void
    {
        $here = $this->teacher();
        $there = $this->teacher('there@studio.example');
        for ($i = 0; $i < self::PEOPLE; ++$i) {
            $person = $this->somebody($here, $i);
            $record = $this->export($person);
            $schema = self::getContainer()->get(RecordSchema::class);
            foreach (['exportedAt', 'heldBy', 'person', 'writtenBy'] as $part) {
                self::assertNull($schema->fault($part, $record[$part]), "person $i, $part");
            }
            foreach (array_keys(RecordKinds::CLASSES) as $kind) {
                self::assertSame([], array_filter(array_map(static fn (array $item): ?string => $schema->fault($kind,
                    $item), $record[$kind])), "person $i, $kind");
            }
            $all = 1 + array_sum(array_map(static fn (string $kind): int => count($record[$kind]),
                array_keys(RecordKinds::CLASSES)));
            $tried = $this->import($record, $there, true);
            self::assertSame(['added' => $all, 'known' => 0, 'refused' => []], array_slice($tried, 0, 3));
            $first = $this->import($record, $there);
            self::assertSame(['added' => $all, 'known' => 0, 'refused' => []], array_slice($first, 0, 3),
                'Trying it has kept nothing.');
            $copy = $this->find((string) $first['person']);
            self::assertNotEquals($person->id, $copy->id, 'Two accounts, two rows.');
            self::assertSame($this->told($record), $this->told($this->export($copy)), "person $i");
            self::assertSame(['added' => 0, 'known' => $all, 'refused' => []],
                array_slice($this->import($record, $there), 0, 3), 'Read twice.');
            self::assertSame(['added' => 0, 'known' => $all, 'refused' => []],
                array_slice($this->import($this->export($copy), $here), 0, 3), 'And back again.');
            self::assertSame($this->told($record), $this->told($this->export($this->find((string) $person->id))));
            self::assertSame($this->holds($person), $this->holds($copy),
                "person $i: every hold, and what has lifted it.");
            $pages = $this->asPages($person);
            self::assertSame($pages, $this->asPages($copy), "person $i, as the pages of both accounts have it");
            self::assertSame($pages, $this->asRecord($record), "person $i, as ascent:assess has the record");
        }
    }

    public function testARecordGrowsInPlace(): void
    {
        $here = $this->teacher();
        $there = $this->teacher('there@studio.example');
        $person = $this->somebody($here, 1);
        $copy = $this->find((string) $this->import($this->export($person), $there)['person']);
        $person = $this->find((string) $person->id);
        $this->tested($person);
        $record = $this->export($person);
        $answer = $this->import($record, $there);
        self::assertSame([2, []], [$answer['added'], $answer['refused']], 'A test has two sides.');
        self::assertSame((string) $copy->id, $answer['person']);
        self::assertSame($this->told($record), $this->told($this->export($this->find((string) $copy->id))));
    }

    #[TestWith([['version' => 2], '/version 2/'])]
    #[TestWith([['version' => 0], '/version/'])]
    #[TestWith([['version' => '1'], '/version/'])]
    #[TestWith([['format' => 'something'], '/no record/'])]
    #[TestWith([['person' => ['id' => 'x', 'name' => 'y', 'consentedAt' => 'z', 'createdAt' => 'z']], '/person/'])]
    #[TestWith([['heldBy' => null], '/heldBy/'])]
    public function testWhatIsNoRecordOrANewerOneIsRefusedWhole(array $changed, string $because): void
    {
        $there = $this->teacher('there@studio.example');
        $record = $changed + $this->export($this->somebody($this->teacher(), 2));
        $people = $this->howMany(Practitioner::class);
        try {
            $this->import($record, $there);
            self::fail('It was read.');
        } catch (InvalidRecord $e) {
            self::assertMatchesRegularExpression($because, $e->getMessage());
        }
        self::assertSame($people, $this->howMany(Practitioner::class));
    }

    public function testAFaultyPartIsRefusedAndItsPainHolds(): void
    {
        $there = $this->teacher('there@studio.example');
        $record = $this->export($this->clean($this->teacher()));
        $entry = ['id' => (string) Uuid::v7(), 'kind' => 'frog', 'side' => 'left',
            'pain' => ['level' => 4, 'place' => 'knee', 'kind' => 'ache']];
        $record['tests'][] = $entry;
        $record['nobody-knows-this'] = ['pain' => ['level' => 2, 'place' => 'inner-knee', 'kind' => 'sharp'],
            'side' => 'right'];
        $record['bodies'][] = ['stature' => -1.0] + $record['bodies'][0];
        $answer = $this->import($record, $there);
        self::assertSame(['nobody-knows-this', 'bodies[1]', 'tests[2]'], array_column($answer['refused'], 'what'));
        self::assertStringContainsString('holds all the same', $answer['refused'][0]['because']);
        $copy = $this->find((string) $answer['person']);
        self::assertCount(2, self::getContainer()->get(ReadPerson::class)->holds($copy)->active);
        $again = $this->import($record, $there);
        self::assertSame(0, $again['added']);
        self::assertCount(2, self::getContainer()->get(ReadPerson::class)->holds($this->find((string) $copy->id))
            ->active, 'Said twice, it is said once.');
        self::assertSame('held', $this->asRecord($record)['poses']['half-lotus']['left']['state'],
            'To the command as well.');
    }

    public function testARecordThatSaysSomethingElseChangesNothingAndItsPainHolds(): void
    {
        $here = $this->teacher();
        $person = $this->clean($here);
        $record = $this->export($person);
        $record['tests'][0]['pain'] = ['level' => 3, 'place' => 'knee', 'kind' => 'ache'];
        $answer = $this->import($record, $here);
        self::assertSame(['tests[0]'], array_column($answer['refused'], 'what'));
        self::assertNotSame([], self::getContainer()->get(ReadPerson::class)->holds($this->find((string) $person->id))
            ->active);
        self::assertSame(0, $this->export($person)['tests'][0]['pain']['level']);
    }

    #[TestWith(['clearances'])]
    #[TestWith(['mistakes'])]
    public function testNoFileEndsAHoldThatWasHereBefore(string $kind): void
    {
        $here = $this->teacher();
        $person = $this->clean($here);
        $at = new \DateTimeImmutable('-3 days');
        $said = new PainSaid(Uuid::v7(), $person, $here, $at, $at->setTime(0, 0), Side::Left, 2, PainPlace::Knee,
            PainKind::Ache, 'said');
        $this->em()->persist($said);
        $this->em()->flush();
        $record = $this->export($person);
        $moment = $at->modify('+1 hour')->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s.u\Z');
        $record[$kind][] = 'clearances' === $kind
            ? ['id' => (string) Uuid::v7(), 'by' => (string) $here->id, 'at' => $moment, 'clearedBy' => 'A Clinician',
                'word' => 'clinician', 'givenOn' => (new \DateTimeImmutable())->format('Y-m-d'), 'allows' => 'all',
                'asked' => true, 'names' => ["pain:$said->id"]]
            : ['id' => (string) Uuid::v7(), 'by' => (string) $here->id, 'at' => $moment, 'names' => "pain:$said->id",
                'why' => 'a slip'];
        $answer = $this->import($record, $here);
        self::assertSame([$kind.'[0]'], array_column($answer['refused'], 'what'));
        self::assertCount(1, self::getContainer()->get(ReadPerson::class)->holds($this->find((string) $person->id))
            ->active);
        // Where both are new they came together, and are as they were elsewhere.
        $there = $this->teacher('there@studio.example');
        $copy = $this->find((string) $this->import($record, $there)['person']);
        self::assertSame([], self::getContainer()->get(ReadPerson::class)->holds($copy)->active);
    }

    /** Nobody could be asked what it means: it holds, to the page and to the command, until a teacher has read it. */
    public function testANoteInAFileThatSpeaksOfPainHolds(): void
    {
        $there = $this->teacher('there@studio.example');
        $record = $this->export($this->clean($this->teacher()));
        foreach ([[null, 1], [true, 0], [false, 1]] as [$noteRead, $many]) {
            foreach ($record['tests'] as $i => $test) {
                $record['tests'][$i] = ['id' => (string) Uuid::v7(), 'note' => 'The left knee was sore',
                    'noteRead' => $noteRead] + $test;
            }
            $record['person']['id'] = (string) Uuid::v7();
            $copy = $this->find((string) $this->import($record, $there)['person']);
            $holds = self::getContainer()->get(ReadPerson::class)->holds($copy)->active;
            self::assertCount($many, $holds);
            $state = $this->asRecord($record)['poses']['half-lotus']['left']['state'];
            self::assertSame($many > 0, 'held' === $state);
        }
    }

    public function testWhoMeasuredIsKeptAndCannotSignIn(): void
    {
        $there = $this->teacher('there@studio.example');
        $record = $this->export($this->clean($this->teacher()));
        $elsewhere = (string) Uuid::v7();
        $record = json_decode(str_replace($record['writtenBy'][0]['id'], $elsewhere, (string) json_encode($record)),
            true);
        $record['writtenBy'][0]['name'] = 'Somebody Elsewhere';
        $copy = $this->find((string) $this->import($record, $there)['person']);
        self::assertSame([['id' => $elsewhere, 'name' => 'Somebody Elsewhere']], $this->export($copy)['writtenBy']);
        foreach ($this->em()->getRepository(Teacher::class)->findAll() as $one) {
            if ($one->isClaimed()) {
                $this->client->request('GET', '/sign-in');
                $this->client->submitForm('Sign in', ['email' => $one->email, 'password' => '']);
                self::assertSelectorExists('input[name="password"]');
                $this->client->request('GET', '/');
                self::assertResponseRedirects();
            }
        }
    }

    /** A file may say of anybody that they wrote it: it tells nothing of them, and nobody here has said it. */
    public function testWhoAFileNamesIsNobodyOfHere(): void
    {
        $there = $this->teacher('there@studio.example');
        $victim = new Teacher(Uuid::v7(), 'victim@studio.example', 'A Known Victim', $there->createdAt);
        $this->em()->persist($victim);
        $record = $this->export($this->clean($this->teacher()));
        foreach ([$victim, $there] as $i => $named) {
            $claim = json_decode(
                str_replace($record['writtenBy'][0]['id'], (string) $named->id, RecordDocument::json($record)),
                true,
            );
            $claim['person']['id'] = (string) Uuid::v7();
            $claim['writtenBy'][0]['name'] = 'Whoever The File Says';
            $answer = $this->import($claim, $there);
            $copy = $this->find((string) $answer['person']);
            $this->client->loginUser($there);
            $page = $this->client->request('GET', "/practitioners/$copy->id/journal")->filter('main')->text();
            self::assertStringNotContainsString($victim->name, $page);
            self::assertStringContainsString('Whoever The File Says (from an imported file)', $page);
            // The file is the same again, and comes back as it was.
            self::assertSame(0, $this->import($claim, $there)['added']);
            self::assertSame(self::told($claim), self::told($this->export($copy)));
            self::assertSame($claim['writtenBy'], $this->export($copy)['writtenBy']);
            // What is new in it is by the same one.
            $claim['tests'][] = ['id' => (string) Uuid::v7(), 'entryId' => (string) Uuid::v7()] + $claim['tests'][0];
            self::assertSame(1, $this->import($claim, $there)['added']);
            self::assertCount($i + 1, array_filter(
                $this->em()->getRepository(Teacher::class)->findAll(),
                static fn (Teacher $one): bool => $one->isClaimed(),
            ));
        }
    }

    /** The id of a picture names a file: a record gets none that was here before it. */
    public function testAPictureThatARecordNamesIsNoneOfThoseHere(): void
    {
        $there = $this->teacher('there@studio.example');
        $here = $this->teacher();
        $own = new OwnPicture(Uuid::v7(), $here, 'half-lotus', 'Mine alone', $here->createdAt, 200, 300);
        $this->em()->persist($own);
        $person = $this->clean($here);
        $kept = new StoredPicture(Uuid::v7(), $person, $here, $here->createdAt, 'wide-legs', 200, 300);
        $this->em()->persist($kept);
        $this->em()->flush();
        $record = $this->export($person);
        $left = Uuid::v7();
        $pictures = self::getContainer()->get(PictureStore::class);
        $file = (string) tempnam(sys_get_temp_dir(), 'picture');
        $pixels = imagecreatetruecolor(200, 300);
        self::assertTrue(false !== $pixels && imagejpeg($pixels, $file));
        $pictures->keep($left, $file);
        foreach ([$own->id, $kept->id, $left] as $claimed) {
            $record['person']['id'] = (string) Uuid::v7();
            $record['pictures'] = [['id' => (string) $claimed] + $record['pictures'][0]];
            $copy = $this->find((string) $this->import($record, $there)['person']);
            $shown = self::getContainer()->get(PictureRecords::class)->pictures($copy);
            self::assertCount(1, $shown);
            self::assertNotEquals($claimed, $shown[0]->id);
            self::assertSame((string) $claimed, $this->export($copy)['pictures'][0]['id']);
        }
        $pictures->remove($left);
        unlink($file);
    }

    public function testTheTableIsOfRows(): void
    {
        $record = $this->export($this->somebody($this->teacher(), 5));
        $csv = self::getContainer()->get(RecordTable::class)->csv($record);
        self::assertStringContainsString("\r\n", $csv);
        $lines = array_map(static fn (string $line): array => str_getcsv($line, ',', '"', ''),
            array_filter(explode("\r\n", $csv), static fn (string $line): bool => '' !== $line));
        self::assertContains('kneeHeight (cm)', $lines[0]);
        self::assertCount(1, array_unique(array_map(count(...), $lines)));
        $trials = array_sum(array_map(static fn (array $test): int => count($test['trials']), $record['tests']));
        self::assertCount(
            1 + $trials + count($record['checks']) + array_sum(
                array_map(static fn (array $log): int => count($log['items']), $record['logs']),
            ),
            $lines,
        );
        self::assertStringNotContainsString("\n=", $csv);
        self::assertStringContainsString("'=1+1", $csv, 'What looks like a formula is text.');
    }

    private function clean(Teacher $teacher): Practitioner
    {
        $person = $this->practitioner($teacher);
        $this->tested($person);

        return $person;
    }

    /** Somebody of whom everything was written down that can be. */
    private function somebody(Teacher $teacher, int $i): Practitioner
    {
        $teacher = $this->em()->find(Teacher::class, $teacher->id) ?? throw new \LogicException();
        $person = $this->practitioner($teacher, true, "Person $i");
        $moment = fn (int $least, int $most): \DateTimeImmutable => new \DateTimeImmutable(sprintf('-%d minutes',
            1440 * $this->random->getInt($least, $most) + $this->random->getInt(0, 1400)));
        $one = fn (array $of): mixed => $of[$this->random->getInt(0, count($of) - 1)];
        $may = fn (): bool => 0 === $this->random->getInt(0, 3);
        $pain = fn (): array => $may() ? [$this->random->getInt(0, 6), $one(PainPlace::cases()),
            $one(PainKind::cases())] : [0, PainPlace::None, PainKind::Ache];
        $new = [new ToolSettings(Uuid::v7(), $teacher, $moment(20, 30), ['tape' => 0.7])];
        $assessment = new Assessment(Uuid::v7(), $person, $teacher, $moment(5, 9), false,
            $one([['half-lotus'], ['pigeon', 'lotus'], []]), ['soles-together'],
            $one([[], ['high-blood-pressure'], ['knee-surgery:left']]), 'A note, "quoted".', true,
            ...[...$pain(), null, $one([null, [], ['half-lotus' => 'sitting', 'pigeon' => 'knee']])]);
        array_push($new, $assessment, new AssessmentEnd($assessment->id, $moment(1, 4)),
            new AssessmentOutcome($assessment->id, $person, $moment(1, 4), Rules::VERSION,
                ['half-lotus' => ['left' => 'near', 'right' => 'open']], ['rates' => [], 'forecasts' => []]));
        $entries = [];
        foreach (range(0, $this->random->getInt(1, 6)) as $j) {
            $entry = Uuid::v7();
            $at = $moment(1, 200);
            $corrects = [] !== $entries && $may() ? array_pop($entries) : null;
            foreach (Side::cases() as $side) {
                $test = new Test(Uuid::v7(), $entry, $person, $teacher, 'soles-together', $side, null === $corrects
                    ? $at : $moment(0, 0), 'tape', $one([0.0, 4.5]),
                    ...[...$pain(), $one([[], [], ['pelvis-tucks']]), Rules::VERSION, $corrects, $may() ? $assessment
                    : null, $one([null, true]), $one(['', '=1+1'])]);
                $test->add(['kneeHeight' => $this->random->getInt(60, 250) / 10, 'heelDistance' => 20.0],
                    ['kneeHeight' => '14 cm']);
                $test->add(['kneeHeight' => $this->random->getInt(60, 250) / 10, 'heelDistance' => 20.25], [],
                    ['kneeHeight' => 0.3]);
                $new[] = $test;
            }
            $entries[] = $entry;
        }
        $said = new PainSaid(Uuid::v7(), $person, $teacher, $at = $moment(15, 30), $at->setTime(0, 0),
            $one([null, ...Side::cases()]), 2, $one([PainPlace::Knee, PainPlace::LowBack]), PainKind::Ache, 'said',
            'half-lotus', 'half-lotus');
        array_push($new, $said, new SeenRung(Uuid::v7(), $person, $teacher, $moment(1, 60), 'half-lotus',
            'lying-half-lotus', $one(Side::cases()), !$may(), ['knee' => 12.5], false, 'Why', ...$pain()));
        if ($may() || 0 === $i % 2) {
            $new[] = new Clearance(Uuid::v7(), $person, $teacher, $moment(1, 10), 'A Clinician',
                ClearanceAuthority::Clinician, (new \DateTimeImmutable('-11 days'))->setTime(0, 0), 'Everything', true,
                ["pain:$said->id"]);
        }
        if (0 === $i % 3) {
            $slip = new PainSaid(Uuid::v7(), $person, $teacher, $at = $moment(3, 4), $at->setTime(0, 0), Side::Right, 6,
                PainPlace::Groin, PainKind::Sharp, 'said');
            array_push($new, $slip, new Mistake(Uuid::v7(), $person, $teacher, $at->modify('+20 minutes'),
                "pain:$slip->id", 'The other person'));
        }
        $check = new RungCheck(Uuid::v7(), $person, $teacher, 'half-lotus', Side::Left, 'lying-half-lotus',
            (new \DateTimeImmutable('-6 days'))->setTime(0, 0), $moment(5, 6), $one([null, 8.5]), true, true,
            ...[...$pain(), [], false, 'A note']);
        $plan = new PracticePlan(Uuid::v7(), $person, $teacher, $moment(2, 3), Rules::VERSION,
            ['weeks' => 1, 'days' => ['mon'], 'minutes' => 30],
            ['weeks' => [['sessions' => [['date' => '2026-01-05', 'items' => []]]]]], null, '');
        array_push(
            $new,
            $check,
            new Decision(Uuid::v7(), $check, $person, $teacher, 'half-lotus', Side::Left, $moment(1, 4), Step::Stay,
                $one([Step::Stay, Step::Stop]), [['code' => 'stay.default', 'source' => 'own',
                    'numbers' => ['sessions' => 1]]], ['2026-01-05'], 'lying-half-lotus', '', Rules::VERSION),
            $plan,
            new PracticePlan(Uuid::v7(), $person, $teacher, $moment(1, 1), Rules::VERSION,
                ['weeks' => 1, 'days' => ['mon'], 'minutes' => 30], $plan->plan, $plan->id, 'one rung easier'),
            new SessionLog(Uuid::v7(), $person, $teacher, $plan, (new \DateTimeImmutable('-2 days'))->setTime(0, 0),
                $moment(1, 1), [['posture' => 'half-lotus', 'rung' => 'lying-half-lotus', 'side' => 'left',
                    'seconds' => 90, 'pain' => ['level' => 0]]], 12.5, null, 'Went "well",'."\nslowly"),
            new LabSetup(Uuid::v7(), $person, $teacher, Side::Left, 'half-lotus', ['kneeHeight' => 14.0],
                $moment(1, 5)),
            new FeltInRung(Uuid::v7(), $person, $teacher, $at = $moment(1, 60), $at->setTime(0, 0), 'half-lotus',
                'lying-half-lotus', $one([null, ...Side::cases()]), $one(['outer-seat', 'low-back', 'nothing']),
                PainKind::Stretch, 'walk'),
            new OtherLoad(Uuid::v7(), $person, $teacher, $at = $moment(1, 60), $at->setTime(0, 0),
                $one(ElsewhereKind::cases()), $this->random->getInt(1, 600)),
            new HomeTestsAllowed(Uuid::v7(), $person, $teacher, $moment(1, 9), ['heel-to-seat' => true]),
            $word = new PractitionerNote(Uuid::v7(), $person, $at = $moment(1, 9), $at->setTime(0, 0),
                PractitionerNote::WORDS, 'It went <well>'),
            new FromPractitioner($word->id, $person, $at, FromPractitioner::WORDS),
            new FromPractitioner($said->id, $person, $at, FromPractitioner::PAIN),
        );
        foreach ($new as $record) {
            $this->em()->persist($record);
        }
        $this->em()->flush();

        return $person;
    }

    /** @return array<string, mixed> as it comes out of a file */
    private function export(Practitioner $person): array
    {
        $this->em()->clear();

        return json_decode(RecordDocument::json(self::getContainer()->get(RecordDocument::class)
            ->of($this->find((string) $person->id))), true);
    }

    /** @return array<string, mixed> */
    private function import(array $record, Teacher $teacher, bool $isTried = false): array
    {
        $this->em()->clear();

        return self::getContainer()->get(KeepRecord::class)
            ->of($record, $this->em()->find(Teacher::class, $teacher->id) ?? throw new \LogicException(), $isTried);
    }

    private function find(string $id): Practitioner
    {
        return $this->em()->find(Practitioner::class, Uuid::fromString($id))
            ?? throw new \LogicException("There is no $id.");
    }

    private function told(array $record): array
    {
        return array_diff_key($record, ['exportedAt' => 0, 'heldBy' => 0, 'version' => 0]);
    }

    /** @return list<string> what is held and what was lifted, without the keys of rows */
    private function holds(Practitioner $person): array
    {
        $holds = self::getContainer()->get(ReadPerson::class)->holds($this->find((string) $person->id));
        $said = static fn (Hold $hold): string => implode(' ',
            [explode(':', $hold->id())[0], $hold->holds->id, $hold->side->value ?? 'both', $hold->entry->at()
            ->format('c'), $hold->word->value ?? '', $hold->cleared?->on->format('c') ?? '']);
        $all = [...array_map($said, $holds->active), ...array_map($said, $holds->cleared)];
        sort($all);

        return $all;
    }

    private function asPages(Practitioner $person): array
    {
        $this->em()->clear();
        $person = $this->find((string) $person->id);
        $poses = self::getContainer()->get(ReadPerson::class)->now($person);

        return self::withoutIds(null === $poses ? [] : self::getContainer()->get(AssessAnswer::class)
            ->answer($poses, self::getContainer()->get(Wanted::class)->of($person)));
    }

    private function asRecord(array $record): array
    {
        $answer = self::getContainer()->get(AssessAnswer::class)->of(Fields::of($record));

        return self::withoutIds(array_diff_key($answer, ['unread' => 0]));
    }

    private static function withoutIds(array $answer): array
    {
        return json_decode((string) preg_replace('/[0-9a-f]{8}-[0-9a-f-]{27}/', 'id', (string) json_encode($answer)),
            true);
    }
}
