<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use Doctrine\DBAL\Exception as DatabaseRefuses;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\AccessKeyEnd;
use LucidAscent\App\Entity\Consent;
use LucidAscent\App\Entity\HandedOver;
use LucidAscent\App\Entity\Invitation;
use LucidAscent\App\Entity\OtherLoad;
use LucidAscent\App\Entity\OwnEntry;
use LucidAscent\App\Entity\PlanFeed;
use LucidAscent\App\Entity\PlanFeedEnd;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Role;
use LucidAscent\App\Entity\Sharing;
use LucidAscent\App\Entity\SharingEnd;
use LucidAscent\App\Entity\SignedInEnd;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Exchange\Record\InvalidRecord;
use LucidAscent\App\Exchange\Record\KeepRecord;
use LucidAscent\App\Exchange\Record\RecordDocument;
use LucidAscent\App\Security\SecondFactors;
use LucidAscent\App\Security\TimedCode;
use LucidAscent\App\Studio\Members;
use LucidAscent\App\Studio\SharedRecord;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\Uid\Uuid;

/** Several teachers, whose people are whose, and who comes and goes. */
final class StudioTest extends AppTestCase
{
    use ClockSensitiveTrait;

    private const EMAIL = 'new@studio.example';

    private Teacher $owner;
    private Practitioner $person;
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $this->owner = $this->teacher();
        $this->person = $this->practitioner($this->owner);
        $this->home = "/practitioners/{$this->person->id}";
        $this->client->loginUser($this->owner);
    }

    public function testSomebodyComesByALinkThatWorksOnce(): void
    {
        $link = $this->invite(Role::Teacher);
        self::assertSelectorTextContains('main', self::EMAIL);
        $this->client->request('GET', '/studio');
        self::assertStringNotContainsString($link, (string) $this->client->getResponse()->getContent(), 'Shown once.');

        $this->client->getCookieJar()->clear();
        $this->client->request('GET', $link);
        self::assertResponseIsSuccessful();
        $this->client->submitForm('Join', ['join_form[password][first]' => 'short',
            'join_form[password][second]' => 'short']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('.fault', '12');
        $this->join();
        $this->client->followRedirect();
        self::assertSelectorTextContains('h1', 'Today');
        self::assertStringNotContainsString('A Person', (string) $this->client->getResponse()->getContent());
        $this->client->request('GET', $this->home);
        self::assertResponseStatusCodeSame(404);
        $this->client->request('GET', '/studio');
        self::assertResponseStatusCodeSame(403);

        $this->client->getCookieJar()->clear();
        $this->client->request('GET', $link);
        self::assertResponseStatusCodeSame(404);
    }

    public function testALinkThatIsTakenBackRepeatedOrOldIsOver(): void
    {
        $first = $this->invite(Role::Teacher);
        $second = $this->invite(Role::Assistant);
        $this->client->request('GET', $first);
        self::assertResponseStatusCodeSame(404, 'Whoever is invited again has one invitation.');
        $this->client->request('GET', $second);
        self::assertSelectorTextContains('main', 'Assistant');
        $this->client->request('GET', '/studio');
        $this->client->submitForm('Take back');
        $this->client->request('GET', $second);
        self::assertResponseStatusCodeSame(404);
        $third = $this->invite(Role::Reader);
        self::mockTime(sprintf('+%d days 1 minute', Members::DAYS));
        $this->client->request('GET', $third);
        self::assertResponseStatusCodeSame(404);
        self::assertSame(3, $this->howMany(Invitation::class));
    }

    #[TestWith(['', self::EMAIL, 'teacher', 'name'])]
    #[TestWith(['Somebody', 'nobody', 'teacher', 'e-mail'])]
    #[TestWith(['Somebody', 'TEACHER@studio.example', 'teacher', 'account already'])]
    #[TestWith(['Somebody', self::EMAIL, '', 'Choose'])]
    public function testAnUnfitInvitationIsRefusedBesideItsField(
        string $name,
        string $email,
        string $role,
        string $says,
    ): void {
        $this->client->request('GET', '/studio');
        $this->client->submitForm('Make a link', ['invite_form[name]' => $name, 'invite_form[email]' => $email,
            'invite_form[role]' => $role]);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('.fault', $says);
        self::assertInputValueSame('invite_form[email]', $email);
        self::assertSame(0, $this->howMany(Invitation::class));
    }

    public function testARecordIsSharedWithThePersonsWordAndUntilEitherEndsIt(): void
    {
        $assistant = $this->member(Role::Assistant);
        $this->client->request('GET', "$this->home/sharing");
        $this->client->submitForm('Share', ['share_form[member]' => (string) $assistant->id]);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('.fault', 'only be shared when they have agreed');
        $this->share($assistant, '2');
        self::assertSame(0, $this->howMany(Sharing::class), 'Agreed to on a day that is still to come.');
        $this->share($assistant);
        self::assertSelectorTextContains('main', 'A Member');
        $this->seenBy($assistant, 200);
        $this->client->request('GET', '/');
        self::assertSelectorTextContains('main', 'A Person');
        $this->client->request('GET', '/?q=person');
        self::assertSelectorTextContains('main', 'A Person');
        $this->client->request('GET', '/search?q=person');
        self::assertResponseRedirects($this->home, null, 'There is nothing else that is theirs by that name.');

        $this->loginAnew($this->again($this->owner));
        $this->client->request('GET', "$this->home/sharing");
        $this->client->submitForm('End');
        $this->seenBy($assistant, 404);
        $this->client->request('GET', '/');
        self::assertSelectorTextNotContains('main', 'A Person');
    }

    public function testAReaderReadsOneRecordUntilADay(): void
    {
        $reader = $this->member(Role::Reader);
        $this->share($reader);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('.fault', 'needs a last day');
        $this->share($reader, last: new \DateTimeImmutable('yesterday'));
        self::assertSelectorTextContains('.fault', 'day is over');
        $this->share($reader, last: new \DateTimeImmutable('+2 years'));
        self::assertSelectorTextContains('.fault', 'a year');
        $this->share($reader, last: new \DateTimeImmutable('+3 days'));
        $this->seenBy($reader, 200);

        $this->loginAnew($this->again($this->owner));
        $other = $this->practitioner($this->again($this->owner), name: 'Other Person');
        $this->share($reader, last: new \DateTimeImmutable('+3 days'), home: "/practitioners/$other->id");
        self::assertSelectorTextContains('.fault', 'one record');

        self::mockTime(new \DateTimeImmutable('tomorrow +3 days -1 minute UTC'));
        $this->seenBy($reader, 200);
        self::mockTime(new \DateTimeImmutable('tomorrow +3 days UTC'));
        $this->seenBy($reader, 404);
        $this->client->request('GET', '/');
        self::assertSelectorTextNotContains('main', 'A Person');
    }

    public function testWhomItIsSharedWithSharesItWithNobody(): void
    {
        $second = $this->member(Role::Teacher);
        $third = $this->member(Role::Teacher, 'third@studio.example');
        $this->share($second);
        $this->loginAnew($this->again($second));
        $crawler = $this->client->request('GET', "$this->home/sharing");
        self::assertCount(0, $crawler->filter('[name="share_form[member]"], [name="to"]'));
        $token = $crawler->filter('main [name=_token]')->attr('value');
        foreach (['sharing' => ['do' => 'hand over', 'to' => (string) $third->id], 'consent' => []] as $page => $sent) {
            $this->client->request('POST', "$this->home/$page", $sent + ['_token' => $token]);
            self::assertResponseStatusCodeSame(403, $page);
        }
        self::assertSame(1, $this->howMany(Sharing::class));
        self::assertSame(0, $this->howMany(HandedOver::class));
        self::assertSame(0, $this->howMany(Consent::class));
        // Nor do they end what others were let in by.
        $person = $this->em()->find(Practitioner::class, $this->person->id) ?? throw new \LogicException();
        $other = $this->shared($person, $this->em()->find(Teacher::class, $third->id) ?? throw new \LogicException());
        $this->client->request('POST', "$this->home/sharing/$other->id/end", ['_token' => $token]);
        self::assertSame(0, $this->howMany(SharingEnd::class));
        // Who was let in can go.
        $this->client->request('GET', "$this->home/sharing");
        $this->client->submitForm('End');
        $this->client->request('GET', $this->home);
        self::assertResponseStatusCodeSame(404);
    }

    public function testAPersonIsHandedOverWhole(): void
    {
        $second = $this->member(Role::Teacher);
        $this->share($second);
        $this->client->request('GET', "$this->home/sharing");
        $this->client->submitForm('Hand over', ['to' => (string) $second->id]);
        $this->client->request('GET', $this->home);
        self::assertResponseStatusCodeSame(404);
        $this->client->request('GET', '/');
        self::assertSelectorTextNotContains('main', 'A Person');
        $this->seenBy($second, 200);
        self::assertSame(1, $this->howMany(SharingEnd::class), 'Their own person needs no leave of anybody’s.');
        $this->client->request('GET', '/');
        self::assertSelectorTextContains('main', 'A Person');
        $this->client->request('GET', "$this->home/who-saw");
        self::assertSelectorTextContains('main', 'shared, whole record');
    }

    public function testAnOwnerHandsPeopleOver(): void
    {
        $second = $this->member(Role::Teacher);
        $assistant = $this->member(Role::Assistant, 'third@studio.example');
        $token = $this->client->request('GET', '/studio')->filter('[name=_token]')->attr('value');
        $elsewhere = $this->practitioner($this->teacher('elsewhere@studio.example'), name: 'Elsewhere Person');
        $ask = fn (Practitioner $who, Teacher $to) => $this->client->request('POST', '/studio/people',
            ['_token' => $token, 'to' => (string) $to->id, 'people' => [(string) $who->id]]);
        $ask($this->person, $assistant);
        $ask($elsewhere, $second);
        $ask($this->person, $elsewhere->teacher);
        $this->client->request('POST', "/studio/members/{$elsewhere->teacher->id}", ['_token' => $token,
            'role' => 'left', 'to' => (string) $second->id]);
        self::assertResponseStatusCodeSame(404);
        self::assertSame(0, $this->howMany(HandedOver::class));
        $ask($this->person, $second);
        self::assertSame(1, $this->howMany(HandedOver::class));
        $this->seenBy($second, 200);
    }

    public function testWhoLeavesHandsPeopleOverAndSeesNothingFromThatMinute(): void
    {
        $second = $this->member(Role::Teacher);
        $theirs = $this->practitioner($second, name: 'Their Person');
        $this->share($second);
        $this->client->getCookieJar()->clear();
        $this->client->request('GET', '/sign-in');
        $this->client->submitForm('Sign in', ['email' => $second->email, 'password' => self::PASSWORD]);
        $tab = "/practitioners/$theirs->id/elsewhere";
        $form = $this->client->request('GET', $tab)->selectButton('Save')->form([
            'elsewhere[what]' => 'lesson', 'elsewhere[minutes]' => '60']);
        $cookies = clone $this->client->getCookieJar();

        $this->loginAnew($this->again($this->owner));
        $this->change($second, 'left');
        self::assertSelectorTextContains('[role=status]', 'Choose who teaches these');
        $this->change($second, 'left', $second);
        self::assertSelectorTextContains('[role=status]', 'who stays');
        $this->change($second, 'left', $this->owner);
        self::assertSelectorTextContains('[role=status]', 'counts from now on');
        self::assertSame(1, $this->howMany(SignedInEnd::class));

        $this->client->getCookieJar()->clear();
        foreach ($cookies->all() as $cookie) {
            $this->client->getCookieJar()->set($cookie);
        }
        foreach ([$tab, $this->home, '/', '/account'] as $page) {
            $this->client->request('GET', $page);
            self::assertResponseStatusCodeSame(302, $page);
            self::assertStringContainsString('/sign-in',
                (string) $this->client->getResponse()->headers->get('Location'));
        }
        $this->client->submit($form);
        self::assertSame(0, $this->howMany(OtherLoad::class));
        $this->client->request('GET', '/sign-in');
        $this->client->submitForm('Sign in', ['email' => $second->email, 'password' => self::PASSWORD]);
        self::assertResponseStatusCodeSame(401);
        $this->loginAnew($this->again($this->owner));
        $this->client->request('GET', "/practitioners/$theirs->id");
        self::assertResponseIsSuccessful();
    }

    public function testWhoGetsAPersonOfWhoLeavesKeepsNoSharingWhenTheyGiveThePersonOn(): void
    {
        $second = $this->member(Role::Teacher);
        $third = $this->member(Role::Teacher, 'third@studio.example');
        $theirs = $this->practitioner($this->again($second), name: 'Their Person');
        $this->shared($theirs, $this->em()->find(Teacher::class, $this->owner->id) ?? throw new \LogicException());
        $this->change($second, 'left', $this->owner);
        $this->client->request('GET', "/practitioners/$theirs->id/sharing");
        self::assertSelectorTextContains('main', 'Nobody else can open');
        $this->client->submitForm('Hand over', ['to' => (string) $third->id]);
        $this->client->request('GET', "/practitioners/$theirs->id");
        self::assertResponseStatusCodeSame(404);
    }

    public function testAStudioNeedsAnOwnerAndARoleCountsInTabsThatAreOpen(): void
    {
        $this->change($this->owner, 'teacher');
        self::assertSelectorTextContains('[role=status]', 'needs an owner');
        $second = $this->member(Role::Teacher);
        $this->share($second);
        $this->loginAnew($this->again($second));
        $form = $this->client->request('GET', "$this->home/clearance");
        self::assertResponseIsSuccessful();
        $cookies = clone $this->client->getCookieJar();
        $this->loginAnew($this->again($this->owner));
        $this->change($second, 'assistant');
        foreach ($cookies->all() as $cookie) {
            $this->client->getCookieJar()->set($cookie);
        }
        $this->client->request('GET', "$this->home/clearance");
        self::assertResponseStatusCodeSame(403);
        // What was agreed to for a teacher was not agreed to for an assistant.
        $this->client->request('GET', $this->home);
        self::assertResponseStatusCodeSame(404);
        $this->loginAnew($this->again($this->owner));
        $this->change($second, 'owner');
        $this->change($this->owner, 'teacher');
        $third = $this->member(Role::Teacher, 'third@studio.example');
        $person = $this->em()->find(Practitioner::class, $this->person->id) ?? throw new \LogicException();
        $this->shared($person, $third);
        $this->loginAnew($this->again($second));
        $this->change($third, 'owner');
        self::assertSame(1, $this->howMany(SharingEnd::class), 'An owner is a teacher as well.');
        self::assertSame(Role::Teacher, $this->again($this->owner)->role());
        self::assertSame(Role::Owner, $this->again($second)->role());
    }

    public function testOfTwoWhoActAtOnceTheSecondSeesWhatTheFirstHasDone(): void
    {
        $second = $this->member(Role::Owner);
        $assistant = $this->member(Role::Assistant, 'third@studio.example');
        $members = self::getContainer()->get(Members::class);
        $shared = self::getContainer()->get(SharedRecord::class);
        [$first, $second, $assistant] = array_map(fn (Teacher $one): Teacher => $this->em()->find(Teacher::class,
            $one->id) ?? throw new \LogicException(), [$this->owner, $second, $assistant]);
        $person = $this->em()->find(Practitioner::class, $this->person->id) ?? throw new \LogicException();
        $become = fn (Teacher $one, Role $role): int => (int) $this->em()->getConnection()->insert('member_role', [
            'id' => Uuid::v7()->toBinary(), 'member_id' => $one->id->toBinary(), 'role' => $role->value,
            'at' => '2026-01-01', 'by_id' => $one->id->toBinary()]);
        $this->em()->beginTransaction();
        // Another request has written it since these were read.
        $become($second, Role::Teacher);
        self::assertSame('studio.fault.by', $members->change($first, Role::Teacher, $second));
        self::assertSame('studio.fault.last_owner', $members->change($first, Role::Assistant, $first, $second));
        $become($second, Role::Assistant);
        self::assertFalse($shared->handOver($person, $second, $first));
        $become($assistant, Role::Left);
        self::assertSame('member', $shared->share($person, $assistant, new \DateTimeImmutable('-1 day'), null,
            $first)[0] ?? null);
        self::assertSame(0, $this->howMany(Sharing::class));
        $this->em()->rollback();
    }

    #[TestWith(["UPDATE teacher SET role = 'owner'"])]
    #[TestWith(['UPDATE teacher SET studio_id = NULL'])]
    #[TestWith(['UPDATE practitioner SET teacher_id = teacher_id'])]
    #[TestWith(['DELETE FROM sharing_end'])]
    #[TestWith(['UPDATE sharing SET until = NULL'])]
    #[TestWith(['DELETE FROM invitation_end'])]
    #[TestWith(['DELETE FROM member_role'])]
    public function testNothingOfItIsMadeOtherwiseThanByAnEntry(string $statement): void
    {
        $this->expectException(DatabaseRefuses::class);
        $this->expectExceptionMessageMatches('/denied/');
        $this->em()->getConnection()->executeStatement($statement);
    }

    public function testOwnersProveTwiceWhereTheStudioSaysSo(): void
    {
        $teacher = $this->member(Role::Teacher);
        $this->client->request('GET', '/studio');
        $this->client->submitForm('studio_form_save', ['studio_form[name]' => 'Quiet Room',
            'studio_form[ownersProveTwice]' => true]);
        foreach (['/', $this->home, "$this->home/record.json", '/studio'] as $page) {
            $this->client->request('GET', $page);
            self::assertResponseRedirects('/account/second-factor', null, $page);
        }
        $this->client->followRedirect();
        self::assertSelectorTextContains('[role=status]', 'owners sign in with an app as well');
        $this->loginAnew($this->again($teacher));
        $this->client->request('GET', '/');
        self::assertResponseIsSuccessful();
        $secret = TimedCode::secret();
        self::assertNotNull(self::getContainer()->get(SecondFactors::class)->begin($this->again($this->owner), $secret,
            TimedCode::of($secret, intdiv(time(), 30))));
        $this->loginAnew($this->again($this->owner));
        $this->client->request('GET', '/studio');
        self::assertSelectorTextContains('h1', 'Quiet Room');
    }

    public function testToolsAndOwnEntriesAreTheStudios(): void
    {
        $second = $this->member(Role::Teacher);
        $this->share($second);
        $this->client->request('GET', '/instruments');
        $this->client->submitForm('Save', ['tools[tape]' => '1.7']);
        $this->loginAnew($this->again($second));
        $this->client->request('GET', '/instruments');
        self::assertInputValueSame('tools[tape]', '1.70');
        $this->loginAnew($this->teacher('elsewhere@studio.example'));
        $this->client->request('GET', '/instruments');
        self::assertNotSame('1.70', $this->client->getCrawler()->filter('[name="tools[tape]"]')->attr('value'));
    }

    public function testConsentThatIsWithdrawnStopsEverythingThatItAllowed(): void
    {
        $second = $this->member(Role::Teacher);
        $this->share($second);
        $this->client->request('GET', "$this->home/own");
        $this->client->submit($this->client->getCrawler()->filter('input[value="open"]')->closest('form')?->form()
            ?? throw new \LogicException());
        $tab = $this->client->request('GET', "$this->home/elsewhere")->selectButton('Save')->form([
            'elsewhere[what]' => 'lesson', 'elsewhere[minutes]' => '60']);
        $person = $this->em()->find(Practitioner::class, $this->person->id) ?? throw new \LogicException();
        $this->em()->persist(new PlanFeed(Uuid::v7(), $person, new \DateTimeImmutable(), hash('sha256', 'an address')));
        $this->em()->flush();
        $record = self::getContainer()->get(RecordDocument::class)->of($this->em()->find(Practitioner::class,
            $this->person->id) ?? throw new \LogicException());
        $this->client->request('GET', "$this->home/sharing");
        $this->client->submitForm('Stop recording');
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'A Person, since');

        foreach (['', '/body', '/journal', '/record.json', '/sharing', '/own'] as $page) {
            $this->client->request('GET', $this->home.$page);
            self::assertResponseStatusCodeSame(404, $page);
        }
        $this->client->submit($tab);
        self::assertResponseStatusCodeSame(404);
        self::assertSame(0, $this->howMany(OtherLoad::class));
        foreach (['/', '/search?q=per', '/screen'] as $list) {
            $this->client->request('GET', $list);
            self::assertSelectorTextNotContains('main', 'A Person');
        }
        self::assertSame(1, $this->howMany(AccessKeyEnd::class));
        self::assertSame(1, $this->howMany(PlanFeedEnd::class));
        self::assertSame(1, $this->howMany(SharingEnd::class));
        try {
            self::getContainer()->get(KeepRecord::class)->of($record, $this->again($this->owner), false);
            self::fail('A file brings in what nobody agrees to.');
        } catch (InvalidRecord $e) {
            self::assertStringContainsString('does not agree', $e->getMessage());
        }
        $this->seenBy($second, 404);

        $this->loginAnew($this->again($this->owner));
        $this->client->request('GET', '/account/personal-data');
        $this->client->submitForm('They agree again');
        $this->client->followRedirect();
        self::assertSelectorTextContains('h1', 'A Person');
        $this->client->request('GET', '/account/personal-data');
        self::assertSelectorTextNotContains('main', 'A Person, since');
        self::assertSame(0, self::getContainer()->get(KeepRecord::class)->of($record, $this->again($this->owner),
            true)['added'], 'It can be read in again, and is known.');
        $this->seenBy($second, 404);
    }

    public function testThePageOfAStudioAsksForThePasswordOfTheLastQuarterOfAnHour(): void
    {
        foreach (['/studio', "$this->home/sharing"] as $page) {
            $this->client->request('GET', $page);
            self::assertResponseIsSuccessful();
        }
        self::mockTime('+16 minutes');
        foreach (['/studio', "$this->home/sharing"] as $page) {
            $this->client->request('GET', $page);
            self::assertStringContainsString('/account/password', (string) $this->client->getResponse()->headers
                ->get('Location'));
        }
    }

    public function testAnOwnerSeesWhatWasDoneInTheStudioAndATeacherWhatWasDoneWithTheirPeople(): void
    {
        $second = $this->member(Role::Teacher);
        $theirs = $this->practitioner($second, name: 'Their Person');
        $this->client->request('GET', $this->home);
        $this->loginAnew($this->again($second));
        $this->client->request('GET', "/practitioners/$theirs->id");
        $this->client->request('GET', '/account/audit');
        self::assertSelectorTextContains('main table', 'Their Person');
        self::assertSelectorTextNotContains('main table', 'A Person');
        $this->loginAnew($this->again($this->owner));
        $crawler = $this->client->request('GET', '/account/audit');
        self::assertSelectorTextContains('main table', 'Their Person');
        self::assertSelectorTextContains('main table', 'A Person');
        self::assertCount(0, $crawler->filter("a[href*=\"$theirs->id\"]"), 'A name, and no way to the record.');
    }

    public function testWhatAColleagueWritesIntoTheLibraryIsOnEverybodysPageAtOnce(): void
    {
        $second = $this->member(Role::Teacher);
        $text = (string) file_get_contents(__DIR__.'/older/posture-1.yaml');
        $this->loginAnew($this->again($second));
        $this->client->request('GET', '/library');
        self::assertSelectorTextNotContains('main', 'My half lotus');
        $this->em()->persist(new OwnEntry(Uuid::v7(), $this->again($this->owner), Kind::Posture, 'my-half-lotus', 1,
            'half-lotus', $text, new \DateTimeImmutable()));
        $this->em()->flush();
        $this->client->request('GET', '/library');
        self::assertSelectorTextContains('main', 'My half lotus');
        $this->loginAnew($this->teacher('elsewhere@studio.example'));
        $this->client->request('GET', '/library');
        self::assertSelectorTextNotContains('main', 'My half lotus');
    }

    private function invite(Role $role): string
    {
        $this->client->request('GET', '/studio');
        $this->client->submitForm('Make a link', ['invite_form[name]' => 'Somebody New',
            'invite_form[email]' => self::EMAIL, 'invite_form[role]' => $role->value]);
        self::assertResponseIsSuccessful();

        return (string) parse_url($this->client->getCrawler()->filter('.link-once')->text(), PHP_URL_PATH);
    }

    private function join(): void
    {
        $this->client->submitForm('Join', ['join_form[password][first]' => self::PASSWORD,
            'join_form[password][second]' => self::PASSWORD]);
    }

    private function member(Role $role, string $email = self::EMAIL): Teacher
    {
        return $this->teacher($email, $this->again($this->owner)->studio(), $role, 'A Member');
    }

    private function again(Teacher $one): Teacher
    {
        $this->em()->clear();

        return $this->em()->find(Teacher::class, $one->id) ?? throw new \LogicException();
    }

    /** @param string $inDays when it was agreed to */
    private function share(
        Teacher $with,
        string $inDays = '-1',
        ?\DateTimeImmutable $last = null,
        ?string $home = null,
    ): void {
        $this->client->request('GET', ($home ?? $this->home).'/sharing');
        $this->client->submitForm('Share', ['share_form[member]' => (string) $with->id,
            'share_form[last]' => (string) $last?->format('Y-m-d'), 'share_form[agreed]' => true,
            'share_form[agreedOn]' => (new \DateTimeImmutable("$inDays days"))->format('Y-m-d')]);
        if ($this->client->getResponse()->isRedirect()) {
            $this->client->followRedirect();
        }
    }

    private function change(Teacher $member, string $role, ?Teacher $to = null): void
    {
        $token = $this->client->request('GET', '/studio')->filter('[name=_token]')->attr('value');
        $this->client->request('POST', "/studio/members/$member->id", ['_token' => $token, 'role' => $role,
            'to' => (string) $to?->id]);
        $this->client->followRedirect();
    }

    private function seenBy(Teacher $member, int $status): void
    {
        $this->loginAnew($this->again($member));
        $this->client->request('GET', $this->home);
        self::assertResponseStatusCodeSame($status);
    }
}
