<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\AnswerGiven;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\FromPractitioner;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\QuestionAsked;
use LucidAscent\App\Entity\Role;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenByTeacher;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Entity\SharingEnd;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Person\PersonHistory;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\PractitionerAccess\AccessDoor;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\DomCrawler\Field\ChoiceFormField;
use Symfony\Component\DomCrawler\Form;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\Uid\Uuid;

/**
 * A practitioner's own page: opened by words once, on one device, with a PIN; one person's, and shut at once when it is
 * taken back.
 */
final class OwnPageTest extends AppTestCase
{
    use ClockSensitiveTrait;

    private Practitioner $practitioner;
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $this->practitioner = $this->practitioner($this->teacher());
        $this->tested($this->practitioner, 12.0, 16.0);
        $this->home = "/practitioners/{$this->practitioner->id}";
        $this->client->loginUser($this->practitioner->teacher);
    }

    public function testWordsOpenItOnceOnOneDevice(): void
    {
        $words = $this->words();
        self::assertMatchesRegularExpression('/^([a-z]+ ){4}\d{4}$/', $words);
        $phone = $this->device();
        $this->comeIn($phone, strtoupper(str_replace(' ', ', ', $words)));
        self::assertSelectorTextContains('h1', 'A Person');
        $other = $this->device();
        $this->comeIn($other, $words);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('.fault', 'on another device');
        // The first one comes in again by its PIN alone.
        $this->become($phone);
        $this->client->request('GET', '/own');
        $this->client->submitForm('Close this page');
        $this->client->followRedirect();
        self::assertSelectorNotExists('#words');
        $this->client->submitForm('Open', ['pin' => '246810']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('h1', 'A Person');
    }

    public function testItIsShutAtOnceWhenItIsTakenBackAndWhenItsDaysAreOver(): void
    {
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $this->client->request('GET', '/own/hurts');
        $form = $this->client->getCrawler()->selectButton('Save')->form();
        $this->asTeacher(fn () => $this->client->request('GET', "$this->home/own"));
        $this->client->submitForm('Close it now');
        $this->become($phone);
        $this->client->submit($form, ['pain[level]' => '3']);
        self::assertSelectorTextContains('.caution', 'report is saved');
        self::assertSelectorExists('#words', 'It is heard, and opens nothing.');
        self::assertSame(1, $this->howMany(PainSaid::class));
        $this->client->getCookieJar()->clear();
        $this->client->submit($form, ['pain[level]' => '4']);
        self::assertResponseStatusCodeSame(403);
        self::assertSame(1, $this->howMany(PainSaid::class), 'Of a device that nobody knows nobody knows whose it is.');
        $this->comeIn($this->device(), $this->words());
        self::assertSelectorTextContains('h1', 'A Person');
        self::mockTime('+91 days');
        $this->client->request('GET', '/own');
        self::assertSelectorExists('#words');
    }

    public function testTenWrongPinsEndADevice(): void
    {
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $this->client->submitForm('Close this page');
        for ($i = 1; $i <= AccessDoor::WRONG_PINS; ++$i) {
            $this->client->request('GET', '/own');
            $this->client->submitForm('Open', ['pin' => '1111']);
            self::assertResponseStatusCodeSame(422);
        }
        self::assertSelectorTextContains('.fault', 'ten times');
        $this->client->request('POST', '/own/pin', ['pin' => '246810']);
        $this->client->request('GET', '/own');
        self::assertSelectorExists('#words', 'Its own PIN opens nothing any more.');
    }

    public function testGuessingIsThrottled(): void
    {
        for ($i = 0; $i < 20; ++$i) {
            $this->comeIn($this->device(), "acorn apple amber anchor $i");
            self::assertSelectorTextContains('.fault', 'do not work');
        }
        $words = $this->words();
        $this->comeIn($this->device(), $words);
        self::assertSelectorTextContains('.fault', 'Too many');
        self::mockTime('+16 minutes');
        $this->comeIn($this->device(), $words);
        self::assertSelectorTextContains('h1', 'A Person');
    }

    #[TestWith(['', '246810', '246810', 'four words'])]
    #[TestWith(['a b c d 1234', '12', '12', 'six to twelve'])]
    #[TestWith(['a b c d 1234', 'abcd', 'abcd', 'six to twelve'])]
    #[TestWith(['a b c d 1234', '345678', '345678', 'no run'])]
    #[TestWith(['a b c d 1234', '111111', '111111', 'six to twelve'])]
    #[TestWith(['a b c d 1234', '246810', '246811', 'different'])]
    public function testWhatIsMistypedIsSaid(string $words, string $pin, string $again, string $said): void
    {
        $this->become($this->device());
        $this->client->request('GET', '/own');
        $this->client->submitForm('Open', ['words' => $words, 'pin' => $pin, 'again' => $again]);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('.fault', $said);
        self::assertInputValueSame('words', $words);
    }

    public function testPainHoldsAtOnceAndTheTeacherSeesItFirst(): void
    {
        $this->client->request('GET', "$this->home/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '1']);
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $before = $this->client->getCrawler()->filter('.own-figures figure')->count();
        $this->client->request('GET', '/own/hurts');
        $this->client->submitForm('Save', ['side' => 'left', 'pain[place]' => 'knee', 'pain[level]' => '2']);
        self::assertSelectorTextContains('.caution', 'on hold from now on');
        $this->client->request('GET', '/own');
        self::assertLessThan($before, $this->client->getCrawler()->filter('.own-figures figure')->count());
        self::assertCount(1, self::getContainer()->get(ReadPerson::class)->holds($this->person())->active);
        $this->asTeacher(fn () => $this->client->request('GET', '/'));
        self::assertSelectorTextContains('[data-came-in]', 'reported pain');
        $this->client->clickLink('A Person');
        self::assertSelectorTextContains('.caution', 'knee');
        $this->client->submitForm('Mark as read');
        $this->client->followRedirect();
        self::assertSelectorNotExists('[data-came-in]');
        self::assertCount(1, self::getContainer()->get(ReadPerson::class)->holds($this->person())->active,
            'Seen is not lifted.');
    }

    public function testWhoeverSaysThatItHurtsAndNotHowStronglyIsHeldAsWell(): void
    {
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $this->client->request('GET', '/own/hurts');
        $this->client->submitForm('Save', ['side' => 'right', 'pain[place]' => 'groin']);
        self::assertSelectorTextContains('.caution', 'on hold from now on');
        self::assertCount(1, self::getContainer()->get(ReadPerson::class)->holds($this->person())->active);
    }

    /** The page shuts by itself, a tab is older than the PIN: what was typed about pain is heard all the same. */
    public function testWhatHurtsIsHeardThoughThePageHasShutMeanwhile(): void
    {
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $this->client->request('GET', '/own/hurts');
        $form = $this->client->getCrawler()->selectButton('Save')->form(['side' => 'left',
            'pain[place]' => 'knee', 'pain[level]' => '2']);
        $holds = fn (): int => count(self::getContainer()->get(ReadPerson::class)->holds($this->person())->active);
        self::mockTime('+13 hours');
        $this->client->submit($form);
        self::assertSelectorTextContains('.caution', 'report is saved');
        self::assertSelectorExists('#pin', 'It opens nothing.');
        self::assertSelectorNotExists('.own-figures');
        self::assertSame([1, 1], [$this->howMany(PainSaid::class), $holds()]);
        $this->client->submit($form);
        self::assertSame(1, $this->howMany(PainSaid::class), 'Sent twice it is one.');
        $this->client->submitForm('Open', ['pin' => '246810']);
        $form['pain[level]']->setValue('3');
        $this->client->submit($form);
        self::assertSelectorTextContains('.caution', 'on hold from now on');
        self::assertSame([2, 2], [$this->howMany(PainSaid::class), $holds()],
            'From the tab of before the PIN, and not the same: that is told as well.');
        $this->client->request('GET', '/own/hurts');
        $this->client->submitForm('Save', ['side' => 'left', 'pain[place]' => 'knee', 'pain[level]' => '3']);
        self::assertSame(3, $this->howMany(PainSaid::class), 'Told anew in the same minute.');
        $this->asTeacher(fn () => $this->client->request('GET', '/'));
        self::assertSelectorTextContains('[data-came-in]', 'reported pain');
    }

    /** Nobody is there to ask where and how: what speaks of pain holds what is deep until the teacher has read it. */
    public function testWordsThatSpeakOfPainHoldUntilTheTeacherHasReadThem(): void
    {
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $holds = fn (): array => array_map(static fn (Hold $hold): array => [$hold->holds->id, $hold->side?->value,
            $hold->holds->holds], self::getContainer()->get(ReadPerson::class)->holds($this->person())->active);
        $write = function (string $text): void {
            $this->client->request('GET', '/own');
            $this->client->submitForm('Send to your teacher', ['text' => $text]);
        };
        $write('No pain today, slept well');
        self::assertSame([], $holds());
        $write('The left knee was sore on the stairs');
        self::assertSame([['words', 'left', ['knee-folded', 'turn-out']]], $holds());
        $this->asTeacher(fn () => $this->client->request('GET', $this->home));
        self::assertSelectorTextContains('.caution', 'Words that speak of pain');
        $this->client->clickLink('Read the message');
        self::assertSelectorTextContains('.caution', 'record where and how first');
        $this->client->submitForm('Mark as read');
        self::assertSame([], $holds());
        $this->become($phone);
        $write('It hurts again');
        self::assertSame([['words', null, []]], $holds());
    }

    public function testNumbnessThatStaysNeedsNoNumber(): void
    {
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $this->client->request('GET', '/own/hurts');
        $this->client->submitForm('Save', ['pain[level]' => '', 'pain[kind]' => 'lasting-numbness']);
        self::assertSelectorTextContains('.caution', 'on hold from now on');
        self::assertCount(1, self::getContainer()->get(ReadPerson::class)->holds($this->person())->active);
    }

    public function testWhatThePractitionerToldIsNoSlipOfTheTeachers(): void
    {
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $this->client->request('GET', '/own/hurts');
        $this->client->submitForm('Save', ['side' => 'left', 'pain[place]' => 'knee', 'pain[level]' => '2']);
        $said = $this->em()->getRepository(PainSaid::class)->findAll()[0];
        $this->asTeacher(fn () => $this->client->request('GET', $this->home));
        self::assertSelectorTextContains('.caution', 'knee');
        self::assertSelectorNotExists('[value="'.PersonHistory::idOf($said).'"][name="names"]');
        $token = $this->client->getCrawler()->filter('form[action$="/mistakes"] [name="_token"]');
        $this->client->request('POST', "$this->home/mistakes", ['names' => PersonHistory::idOf($said),
            'why' => 'A slip', '_token' => 0 === $token->count() ? '' : (string) $token->attr('value')]);
        self::assertCount(1, self::getContainer()->get(ReadPerson::class)->holds($this->person())->active);
    }

    /** A device that was given a new key sends what waited on it under the one before. */
    public function testAnOlderKeyOfTheSamePersonOpensWhatWaits(): void
    {
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $token = function (): array {
            $this->client->request('GET', '/own/token');

            return json_decode((string) $this->client->getResponse()->getContent(), true);
        };
        $first = $token();
        self::assertSame([], $first['older']);
        $this->asTeacher(fn () => $this->client->request('GET', "$this->home/own"));
        $this->client->submitForm('Close it now');
        $this->comeIn($phone, $this->words($phone));
        $second = $token();
        self::assertNotSame($first['owner'], $second['owner']);
        self::assertSame([['owner' => $first['owner'], 'key' => $first['key']]], $second['older']);
    }

    public function testASessionComesInOnceAndIsMarked(): void
    {
        $this->client->request('GET', "$this->home/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '1']);
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $crawler = $this->client->clickLink('Start session');
        $session = $crawler->filter('[data-session]');
        self::assertSame('/own/log', $session->attr('data-address'));
        $item = array_values(array_filter(json_decode((string) $session->attr('data-session'), true),
            static fn (array $one): bool => 'work' === $one['phase'] && 'both' !== $one['side']
                && !isset($one['drill'])))[0];
        $this->client->request('GET', '/own/token');
        $token = json_decode((string) $this->client->getResponse()->getContent(), true)['token'];
        $log = ['id' => (string) $session->attr('data-log'), 'on' => (new \DateTimeImmutable())->format('Y-m-d'),
            'soreAtNight' => false, 'items' => [['posture' => $item['posture'], 'rung' => $item['rung'],
                'side' => $item['side'], 'holdReached' => true, 'evenBreath' => true, 'compensations' => [],
                'propsUsed' => true, 'pain' => ['level' => 0]]], 'pains' => [['level' => 3, 'where' => 'knee',
                    'kind' => 'ache', 'side' => 'right']], 'note' => 'Went well'];
        $send = fn (array $log, ?string $with): int => [$this->client->request('POST', '/own/log',
            server: ['HTTP_X_TOKEN' => (string) $with], content: (string) json_encode($log)),
            $this->client->getResponse()->getStatusCode()][1];
        self::assertSame(403, $send($log, 'another'));
        self::assertSame(0, $this->howMany(SessionLog::class));
        // What hurt is told while the session goes on, and holds whether it ever comes to its end.
        $telling = ['id' => (string) Uuid::v7(), 'of' => $log['id'], 'on' => $log['on'], 'items' => [],
            'pains' => $log['pains']];
        self::assertSame(403, $send($telling, 'another'));
        self::assertSame(200, $send($telling, $token));
        self::assertSame(200, $send($telling, $token));
        self::assertSame(0, $this->howMany(SessionLog::class));
        self::assertSame(1, $this->howMany(PainSaid::class));
        self::assertSame(1, $this->howMany(FromPractitioner::class));
        $this->client->request('GET', '/own');
        self::assertSelectorTextContains('.note.caution', 'Resting for now');
        self::assertSame(422, $send(['of' => 'none'] + $telling, $token));
        self::assertSame(2, $this->howMany(PainSaid::class), 'Of what session nobody knows, and so it is another.');
        self::assertSame(422, $send(['on' => '2099-01-01'] + $telling, $token));
        self::assertSame(2, $this->howMany(PainSaid::class), 'Whatever its clock says, it was heard.');
        self::assertSame(200, $send($log, $token));
        self::assertSame(200, $send($log, $token));
        self::assertSame(1, $this->howMany(SessionLog::class));
        self::assertSame(2, $this->howMany(PainSaid::class), 'It says what was told, and says it no more.');
        self::assertSame(3, $this->howMany(FromPractitioner::class), 'The log, and what hurt.');
        self::assertSame(422, $send(['id' => 'none', 'items' => 'x',
            'pain' => ['level' => 4, 'place' => 'knee', 'kind' => 'sharp']], $token));
        self::assertSame(3, $this->howMany(PainSaid::class), 'What it says of pain holds all the same.');
        $this->asTeacher(fn () => $this->client->request('GET', "$this->home/came-in"));
        self::assertSelectorTextContains('main', 'Went well');
    }

    #[TestWith(['']), TestWith(['now']), TestWith(["1\0"]), TestWith(['99999999999999999999.000000'])]
    public function testWhatAPageHasNotSaidThatItShowedIsNotSeen(string $shown): void
    {
        $this->asTeacher(function () use ($shown): void {
            $page = $this->client->request('GET', "$this->home/came-in");
            $form = $page->selectButton('Mark as read')->form();
            $this->client->request('POST', "$this->home/came-in", ['shown' => $shown] + $form->getPhpValues());
        });
        self::assertResponseRedirects("$this->home/came-in");
        self::assertSame(0, $this->howMany(SeenByTeacher::class));
    }

    public function testWhatHurtsAgainHoldsAgainThoughTheFirstWasLiftedMeanwhile(): void
    {
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $this->client->request('GET', '/own/token');
        $token = json_decode((string) $this->client->getResponse()->getContent(), true)['token'];
        $session = (string) Uuid::v7();
        $send = function (array $telling) use ($token, $session): int {
            $this->client->request('POST', '/own/log', server: ['HTTP_X_TOKEN' => $token],
                content: (string) json_encode($telling + ['id' => (string) Uuid::v7(), 'of' => $session,
                    'on' => (new \DateTimeImmutable())->format('Y-m-d'), 'items' => []]));

            return $this->client->getResponse()->getStatusCode();
        };
        $holds = fn (): int => count(self::getContainer()->get(ReadPerson::class)->holds($this->person())->active);
        $pains = ['pains' => [['level' => 3, 'where' => 'knee', 'kind' => 'ache', 'side' => 'left']]];
        $first = $pains + ['id' => (string) Uuid::v7()];
        self::assertSame([200, 1], [$send($first), $holds()]);
        $said = $this->em()->getRepository(PainSaid::class)->findAll()[0];
        $this->em()->persist(new Clearance(Uuid::v7(), $said->practitioner, $said->by, new \DateTimeImmutable(),
            'A Clinician', ClearanceAuthority::Clinician, new \DateTimeImmutable('today'), 'Show all', true,
            [PersonHistory::idOf($said)]));
        $this->em()->flush();
        self::assertSame(0, $holds());
        self::assertSame([200, 0], [$send($first), $holds()], 'The same telling, sent once more.');
        self::assertSame([200, 1], [$send($pains), $holds()], 'Said anew.');
        $count = $this->howMany(PainSaid::class);
        self::assertSame(422, $send(['items' => [['pain' => ['level' => 5, 'where' => 'low-back',
            'kind' => 'sharp']]]]));
        self::assertSame($count + 1, $this->howMany(PainSaid::class), 'Beside an item, where no telling has it.');
        self::assertSame(200, $send(['pain' => ['level' => 6, 'where' => 'groin', 'kind' => 'sharp']]));
        self::assertSame($count + 2, $this->howMany(PainSaid::class), 'Under a name of its own.');
    }

    /** Three clean sessions pass a rung: of what nobody planned there are none, whatever a device sends. */
    public function testWhatNobodyPlannedIsWrittenDownAndProvesNothing(): void
    {
        $this->client->request('GET', "$this->home/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '1']);
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $session = $this->client->clickLink('Start session')->filter('[data-session]');
        $items = json_decode((string) $session->attr('data-session'), true);
        $work = array_values(array_filter($items, static fn (array $one): bool => 'work' === $one['phase']
            && !isset($one['drill']) && 'both' !== $one['side']))[0];
        $this->client->request('GET', '/own/token');
        $token = json_decode((string) $this->client->getResponse()->getContent(), true)['token'];
        $done = static fn (string $posture, string $rung, string $side,
            int $level = 0): array => ['posture' => $posture, 'rung' => $rung, 'side' => $side, 'holdReached' => true,
                'evenBreath' => true, 'compensations' => [], 'propsUsed' => true,
                'pain' => ['level' => $level, 'where' => 0 === $level ? 'none' : 'ankle', 'kind' => 'ache']];
        $send = function (array $items) use ($token): void {
            $this->client->request('POST', '/own/log', server: ['HTTP_X_TOKEN' => $token],
                content: (string) json_encode(['id' => (string) Uuid::v7(), 'on' => (new \DateTimeImmutable())
                    ->format('Y-m-d'), 'soreAtNight' => false, 'items' => $items, 'pains' => [], 'note' => '']));
            self::assertResponseIsSuccessful();
        };
        $rungs = array_column(self::getContainer()->get(Catalogue::class)->all(Kind::Posture)['lotus']['rungs'], 'id');
        $send([$done('lotus', end($rungs), 'both')]);
        self::assertSame([1, 0], [$this->howMany(SessionLog::class), $this->howMany(RungCheck::class)]);
        $send([$done($work['posture'], $work['rung'], $work['side'])]);
        self::assertSame([2, 1], [$this->howMany(SessionLog::class), $this->howMany(RungCheck::class)]);
        $send([$done('lotus', end($rungs), 'left', 2)]);
        self::assertSame([3, 1, 1], [$this->howMany(SessionLog::class), $this->howMany(RungCheck::class),
            $this->howMany(PainSaid::class)], 'What hurt in it counts.');
    }

    public function testWhatTheTeacherAllowedIsMeasuredAtHomeWithAWiderErrorUntilSeen(): void
    {
        $phone = $this->device();
        $words = $this->words($phone);
        $this->asTeacher(fn () => $this->client->request('GET', "$this->home/own"));
        $form = $this->client->getCrawler()->selectButton('Save')->form();
        self::tick($form, 'allow', 'soles-together');
        $this->client->submit($form);
        $this->comeIn($phone, $words);
        $this->client->clickLink('Soles together');
        self::assertSelectorExists('svg.figure');
        $numbers = static fn (string $left): array => ['kneeHeight[left][0]' => $left, 'kneeHeight[left][1]' => '13',
            'kneeHeight[right][0]' => '14', 'kneeHeight[right][1]' => '14', 'heelDistance[left][0]' => '20',
            'heelDistance[left][1]' => '20', 'heelDistance[right][0]' => '20', 'heelDistance[right][1]' => '20',
            'pain[left][level]' => '0', 'pain[right][level]' => '0'];
        $this->client->submitForm('Save numbers', $numbers('high'));
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorCount(1, '.fault');
        self::assertInputValueSame('kneeHeight[right][0]', '14');
        $form = $this->client->getCrawler()->selectButton('Save numbers')->form($numbers('12,5'));
        $this->client->submit($form);
        $this->client->submit($form);
        $this->client->followRedirect();
        self::assertSelectorTextContains('[role="status"] ~ .note, .note', 'numbers are saved');
        self::assertSame(4, $this->howMany(Test::class), 'Sent twice, kept once.');
        $this->em()->clear();
        $own = array_values(array_filter($this->em()->getRepository(Test::class)->findAll(),
            static fn (Test $test): bool => [] !== $test->trials()[0]->errors));
        self::assertCount(2, $own);
        self::assertGreaterThan(1.0, $own[0]->trials()[0]->errors['kneeHeight']);
        $this->asTeacher(fn () => $this->client->request('GET', $this->home));
        self::assertSelectorTextContains('.timeline', 'measured at home');
        $this->client->request('GET', "$this->home/came-in");
        self::assertSelectorTextContains('main', 'Soles together');
        // Seen once, it errs as the teacher's own does.
        $this->client->request('GET', "$this->home/own");
        $form = $this->client->getCrawler()->selectButton('Save')->form();
        self::tick($form, 'seen', 'soles-together');
        $this->client->submit($form);
        $this->become($phone);
        $this->client->request('GET', '/own/measure/soles-together');
        $this->client->submitForm('Save numbers', $numbers('12'));
        $this->em()->clear();
        self::assertCount(2, array_filter($this->em()->getRepository(Test::class)->findAll(),
            static fn (Test $test): bool => [] !== $test->trials()[0]->errors));
        // What hurts in it holds, and nothing of it is offered any more; an old tab says its pain all the same.
        $this->client->request('GET', '/own/measure/soles-together');
        $old = $this->client->getCrawler()->selectButton('Save numbers')->form($numbers('12'));
        $this->client->submitForm('Save numbers', ['pain[left][level]' => '3',
            'pain[left][place]' => 'knee'] + $numbers('12'));
        self::assertNotSame([], self::getContainer()->get(ReadPerson::class)->holds($this->person())->active);
        $this->client->request('GET', '/own');
        self::assertSelectorNotExists('[data-measures]');
        $this->client->submit($old, ['pain[right][level]' => '2', 'pain[right][place]' => 'knee']);
        self::assertResponseStatusCodeSame(404);
        self::assertCount(2, self::getContainer()->get(ReadPerson::class)->holds($this->person())->active);
        $this->client->request('GET', '/own/measure/frog');
        self::assertResponseStatusCodeSame(404, 'It was not allowed.');
    }

    public function testWordsAndADayOnTheFloorAreKeptOnce(): void
    {
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $form = $this->client->getCrawler()->selectButton('Send to your teacher')
            ->form(['text' => 'My <b>left</b> side']);
        $this->client->submit($form);
        $this->client->submit($form);
        $this->client->followRedirect();
        self::assertStringContainsString('My &lt;b&gt;left&lt;/b&gt; side', (string) $this->client->getResponse()
            ->getContent());
        self::assertSame(1, $this->howMany(PractitionerNote::class));
        $this->client->request('POST', '/own/words', ['text' => 'x', '_token' => 'wrong']);
        self::assertResponseStatusCodeSame(403);
    }

    public function testItShowsNoVerdictAndNothingOfAnybodyElse(): void
    {
        $somebody = $this->practitioner($this->practitioner->teacher, name: 'Somebody Else');
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $page = (string) $this->client->getResponse()->getContent();
        self::assertStringNotContainsString('Somebody Else', $page);
        self::assertDoesNotMatchRegularExpression('/class="state|chance|Chance/', $page);
        self::assertStringContainsString('no-store', (string) $this->client->getResponse()
            ->headers->get('Cache-Control'));
        foreach (["/practitioners/$somebody->id", $this->home, '/', '/library'] as $address) {
            $this->client->request('GET', $address);
            self::assertResponseRedirects(null, 302, $address);
        }
        $this->client->request('GET', '/own/sessions/0-0');
        self::assertResponseStatusCodeSame(404);
    }

    /** One that is missing would be noticed in the middle of a session without a network. */
    public function testTheDeviceKeepsEveryScriptThatThePagesNeed(): void
    {
        $root = dirname(__DIR__, 2);
        preg_match('/\.\.\.\[([^\]]+)\]\.map/', (string) file_get_contents("$root/public/assets/js/own-worker.js"),
            $list);
        preg_match_all("/'([a-z-]+)'/", $list[1] ?? '', $kept);
        $needed = [];
        foreach (glob("$root/templates/own/{base,door,session,shell}.html.twig", GLOB_BRACE) ?: [] as $template) {
            preg_match_all("#asset\('js/([a-z-]+)\.js'\)#", (string) file_get_contents($template), $found);
            array_push($needed, ...$found[1]);
        }
        self::assertContains('session', $needed);
        for ($i = 0; $i < count($needed); ++$i) {
            preg_match_all("#from '\./([a-z-]+)\.js'|import\('\./([a-z-]+)\.js'#",
                (string) file_get_contents("$root/public/assets/js/$needed[$i].js"), $found);
            array_push($needed, ...array_diff(array_filter([...$found[1], ...$found[2]]), $needed));
        }
        self::assertSame([], array_values(array_diff($needed, $kept[1])));
    }

    public function testAnotherTeacherGivesNothingOut(): void
    {
        $this->client->loginUser($this->teacher('other@studio.example'));
        foreach (['/own', '/came-in'] as $page) {
            $this->client->request('GET', $this->home.$page);
            self::assertResponseStatusCodeSame(404);
            $this->client->request('POST', $this->home.$page);
            self::assertResponseStatusCodeSame(404);
        }
    }

    /** @var array<string, array<mixed>> cookies of each device */
    private array $jars = [];
    private string $now = 'teacher';

    public function testADayAfterPracticeItAsksOnceHowTheKneeIs(): void
    {
        $yesterday = new \DateTimeImmutable('yesterday');
        $this->em()->persist(new RungCheck(Uuid::v7(), $this->practitioner, $this->practitioner->teacher, 'half-lotus',
            Side::Left, 'lying-knee-drops', $yesterday, $yesterday, null, true, true, 2, PainPlace::Groin,
            PainKind::Ache, [], false, ''));
        $this->em()->flush();
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        self::assertSelectorTextContains('.own-after', 'How is your knee? And this: groin crease?');
        $form = $this->client->getCrawler()->selectButton('Nothing hurts')->form();
        // A page that was left open since another day answers another question.
        $this->client->request('POST', '/own/after', ['on' => '2026-01-01'] + $form->getPhpValues());
        self::assertSame(0, $this->howMany(PractitionerNote::class));
        $this->client->submit($form);
        $this->client->followRedirect();
        self::assertSelectorTextContains('p.note[role=status]', 'Thank you.');
        self::assertSelectorNotExists('.own-after');
        $this->client->submit($form);
        self::assertSame([1, 1], [$this->howMany(PractitionerNote::class), $this->howMany(FromPractitioner::class)]);
        $this->client->request('POST', '/own/after', ['_token' => 'another'] + $form->getPhpValues());
        self::assertResponseStatusCodeSame(403);
    }

    public function testAQuestionHasAPictureAndIsAnsweredOnTheirOwnPageAlone(): void
    {
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $this->client->clickLink('Ask your teacher');
        $form = $this->client->getCrawler()->selectButton('Send')->form();
        $this->client->submit($form);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('.fault', 'Write your question.');
        $file = (string) tempnam(sys_get_temp_dir(), 'ask');
        file_put_contents($file, 'no picture');
        $send = fn (): mixed => $this->client->request('POST', '/own/ask', ['text' => 'Is this right?',
            'about' => 'half-lotus/lying-half-lotus'] + $form->getPhpValues(),
            ['picture' => new UploadedFile($file, 'me.jpg', null, null, true)]);
        $send();
        self::assertResponseStatusCodeSame(422);
        self::assertSame('Is this right?', $this->client->getCrawler()->filter('#text')->text());
        self::assertSame(0, $this->howMany(PractitionerNote::class));
        $image = imagecreatetruecolor(200, 150);
        false !== $image ? imagepng($image, $file) : self::fail();
        $send();
        self::assertResponseRedirects();
        $send();
        self::assertSame([1, 1, 1], [$this->howMany(PractitionerNote::class), $this->howMany(QuestionAsked::class),
            $this->howMany(StoredPicture::class)]);
        unlink($file);
        $asked = $this->em()->getRepository(QuestionAsked::class)->findAll()[0];
        $person = $this->person();
        $this->em()->persist(new AnswerGiven(Uuid::v7(), $person, $person->teacher,
            new \DateTimeImmutable(), $asked->id, 'Lower the knee.', '', '', [0.5, 0.5]));
        $this->em()->flush();
        $this->client->request('GET', '/own');
        self::assertSelectorTextContains('.own-answer', 'Lower the knee.');
        self::assertSelectorExists('.asked-picture circle');
        $this->client->request('GET', "/own/pictures/$asked->picture");
        self::assertResponseHeaderSame('Content-Type', 'image/jpeg');
        $this->client->request('POST', '/own/ask', ['_token' => 'none', 'text' => 'x']);
        self::assertResponseStatusCodeSame(403);
        // Shut, it shows nothing of it.
        $this->client->getCookieJar()->clear();
        $this->client->request('GET', "/own/pictures/$asked->picture");
        self::assertResponseStatusCodeSame(404);
        $this->client->request('GET', '/own/ask');
        self::assertResponseRedirects('/own');
    }

    public function testARungOfTheWeekIsMarkedOnAPictureWhereItIsAllowedAndNotHeld(): void
    {
        $this->client->request('GET', "$this->home/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '1']);
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        self::assertSelectorNotExists('[data-pictures]');
        $this->client->request('GET', '/own/picture/half-lotus/lying-figure-four/left');
        self::assertResponseStatusCodeSame(404, 'Nobody allowed it.');
        $this->asTeacher(fn () => $this->client->request('GET', "$this->home/own"));
        $form = $this->client->getCrawler()->selectButton('Save')->form();
        self::tick($form, 'allow', 'rung-picture');
        $this->client->submit($form);
        $this->become($phone);
        $offered = $this->client->request('GET', '/own')->filter('[data-pictures] a');
        self::assertGreaterThan(2, $offered->count());
        $of = (string) $offered->first()->attr('href');
        $page = $this->client->request('GET', $of);
        $panel = $page->filter('[data-rung-picture]');
        self::assertSame("$of/keep", $panel->attr('data-keep'));
        $token = (string) $panel->attr('data-token');
        $points = (string) json_encode(['hip' => [0.4, 0.5], 'knee' => [0.6, 0.3], 'ankle' => [0.5, 0.6]]);
        $send = function (string $to, ?string $with, bool $hasFile = true) use ($points): int {
            $file = (string) tempnam(sys_get_temp_dir(), 'own');
            imagejpeg(imagecreatetruecolor(200, 150), $file);
            $this->client->request('POST', $to, ['points' => $points, 'view' => 'side'], $hasFile
                ? ['picture' => new UploadedFile($file, 'me.jpg', null, null, true)] : [],
                ['HTTP_X_TOKEN' => (string) $with]);

            return $this->client->getResponse()->getStatusCode();
        };
        self::assertSame([403, 403, 422, 404], [$send($of, 'another'), $send("$of/keep", null),
            $send("$of/keep", $token, false), $send('/own/picture/lotus/full/left/keep', $token)]);
        self::assertSame(422, $send($of, $token), 'Three points are too few to be read.');
        self::assertStringContainsString('points or more', (string) $this->client->getResponse()->getContent());
        self::assertSame(0, $this->howMany(StoredPicture::class));
        self::assertSame(200, $send("$of/keep", $token));
        [$kept] = $this->em()->getRepository(StoredPicture::class)->findAll();
        self::assertSame([$of, (string) $this->practitioner->id], ["/own/picture/$kept->test/".$kept->side?->value,
            (string) $kept->practitioner->id]);
        // The teacher sees that it came, and what it says.
        $this->asTeacher(fn () => $this->client->request('GET', "$this->home/came-in"));
        $this->client->click($this->client->getCrawler()->filter('.reasons li a')->link());
        self::assertSelectorExists('.two-pictures img');
        // What is held since is marked no more, not by an old tab either.
        $this->become($phone);
        $this->client->request('GET', '/own/hurts');
        $this->client->submitForm('Save', ['pain[level]' => '6', 'pain[place]' => 'knee', 'pain[kind]' => 'sharp']);
        self::assertSame([404, 404], [$send($of, $token), $send("$of/keep", $token)]);
        $this->client->getCookieJar()->clear();
        self::assertSame(403, $send("$of/keep", $token));
        self::assertSame(1, $this->howMany(StoredPicture::class));
    }

    private function device(): string
    {
        return (string) Uuid::v7();
    }

    private function become(string $device): void
    {
        $this->jars[$this->now] = $this->client->getCookieJar()->all();
        $this->client->getCookieJar()->clear();
        foreach ($this->jars[$device] ?? [] as $cookie) {
            $this->client->getCookieJar()->set($cookie);
        }
        $this->now = $device;
    }

    private function asTeacher(\Closure $do): void
    {
        $this->become('teacher');
        $this->em()->clear();
        $this->loginAnew($this->em()->find(\LucidAscent\App\Entity\Teacher::class,
            $this->practitioner->teacher->id) ?? throw new \LogicException());
        $do();
    }

    private static function tick(Form $form, string $name, string $value): void
    {
        foreach ((array) $form[$name] as $box) {
            if ($box instanceof ChoiceFormField && in_array($value, $box->availableOptionValues(), true)) {
                $box->tick();
            }
        }
    }

    /** What a teacher hands over. */
    public function testWhoStopsBeingRecordedShutsEverything(): void
    {
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $this->client->request('GET', '/own/who');
        self::assertSelectorTextContains('main', 'Your teacher is A Teacher');
        $this->client->submitForm('Stop now');
        $this->client->followRedirect();
        self::assertSelectorExists('#words', 'The page is shut.');
        $this->asTeacher(fn () => $this->client->request('GET', $this->home));
        self::assertResponseStatusCodeSame(404);
    }

    public function testWithWhomItIsSharedIsEndedThere(): void
    {
        $person = $this->person();
        $colleague = $this->teacher('colleague@studio.example', $person->teacher->studio(), Role::Teacher,
            'A Colleague');
        $this->shared($person, $colleague);
        $phone = $this->device();
        $this->comeIn($phone, $this->words($phone));
        $this->client->request('GET', '/own/who');
        self::assertSelectorTextContains('.members', 'A Colleague, Teacher');
        $form = $this->client->getCrawler()->filter('.members form')->form();
        $this->client->request('POST', $form->getUri());
        self::assertResponseStatusCodeSame(403);
        $this->client->submit($form);
        $this->client->followRedirect();
        self::assertSelectorNotExists('.members');
        self::assertSame(1, $this->howMany(SharingEnd::class));
    }

    private function words(?string $device = null): string
    {
        $this->asTeacher(fn () => $this->client->request('GET', "$this->home/own"));
        $this->client->submit($this->client->getCrawler()->filter('input[value="open"]')->closest('form')?->form()
            ?? throw new \LogicException());

        return trim($this->client->getCrawler()->filter('.own-words')->text());
    }

    private function comeIn(string $device, string $words): void
    {
        $this->become($device);
        $this->client->request('GET', '/own');
        $this->client->submitForm('Open', ['words' => $words, 'pin' => '246810', 'again' => '246810']);
        if ($this->client->getResponse()->isRedirect()) {
            $this->client->followRedirect();
        }
    }

    private function person(): Practitioner
    {
        $this->em()->clear();

        return $this->em()->createQuery('SELECT p, t FROM '.Practitioner::class.' p JOIN p.teacher t WHERE p.id = :id')
            ->setParameter('id', $this->practitioner->id, 'uuid')->getSingleResult();
    }
}
