<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\SentForm;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Entity\ToolSettings;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\DomCrawler\Field\ChoiceFormField;
use Symfony\Component\Uid\Uuid;

/** Every form that makes a record, sent a second time: as it was, and with something else. */
final class SentAgainTest extends AppTestCase
{
    private const NOTHING_HURTS = ['level' => '0', 'place' => 'none', 'kind' => 'ache'];

    private Practitioner $practitioner;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->practitioner = $this->practitioner($teacher);
        $this->client->loginUser($teacher);
        $this->tested($this->practitioner, 12.0, 16.0);
    }

    /**
     * @return iterable<string, array{string, string, class-string, array<string, mixed>, array<string, mixed>,
     *     list<string>}> page, form, record, first, second, and what the page says of the difference
     */
    public static function forms(): iterable
    {
        yield 'before an assessment' => ['{home}/assessments/new', 'before', Assessment::class,
            ['consent' => '1', 'pain' => self::NOTHING_HURTS, 'warm' => '1'],
            ['clinician_first' => ['knee-surgery'], 'side' => 'left'],
            ['Which side, if it has one', 'empty', 'Left']];
        yield 'a test' => ['{home}/tests/soles-together', 'bench', Test::class,
            ['painLeft' => self::NOTHING_HURTS, 'painRight' => self::NOTHING_HURTS,
                'trials' => [['kneeHeight_left' => '12', 'heelDistance' => '16', 'kneeHeight_right' => '12'],
                    ['kneeHeight_left' => '12', 'heelDistance' => '16', 'kneeHeight_right' => '12']]],
            ['note' => 'after a walk'], ['Note', 'empty', 'after a walk']];
        yield 'a check' => ['{home}/ladder/half-lotus/check/left', 'check_form', RungCheck::class,
            ['pain' => self::NOTHING_HURTS, 'holdReached' => '1', 'evenBreath' => '1', 'practisedOn' => date('Y-m-d')],
            ['holdReached' => '0', 'compensations' => ['foot-bends-inward', 'pelvis-tucks-under']],
            ['Was the hold reached', 'Yes', 'No']];
        yield 'a rung seen' => ['{home}/walk/half-lotus', 'walk_form', SeenRung::class,
            ['seen' => 'clean', 'pain' => self::NOTHING_HURTS],
            ['seen' => 'not-clean', 'pain' => ['level' => '2', 'place' => 'knee', 'kind' => 'ache']],
            ['Where', 'nowhere', 'in or around the knee']];
        yield 'a body' => ['{home}/body', 'body_form', BodyMeasures::class, ['stature' => '171'], ['stature' => '172'],
            ['Stature', '171', '172']];
        yield 'a person of a class' => ['/screen/{id}?people[]={id}', 'screen', Assessment::class,
            ['consent' => '1', 'stature' => '171', 'painLeft' => self::NOTHING_HURTS,
                'painRight' => self::NOTHING_HURTS], ['clinician' => ['hip-replacement']],
            ['Known conditions', 'empty']];
        yield 'a practitioner' => ['/practitioners/new', 'practitioner_form', Practitioner::class,
            ['name' => 'Imre', 'consent' => '1'], ['name' => 'Irma'], ['Imre', 'Irma']];
        yield 'a plan' => ['{home}/plans/new', 'plan', PracticePlan::class, ['weeks' => '2'], ['weeks' => '3'],
            ['2', '3']];
        yield 'errors of the tools' => ['/instruments', 'tools', ToolSettings::class, ['tape' => '1'], ['tape' => '2'],
            ['1', '2']];
    }

    /**
     * @param class-string $record
     * @param array<string, mixed> $first
     * @param array<string, mixed> $second
     * @param list<string> $said
     */
    #[DataProvider('forms')]
    public function testNothingTypedIsTakenForRecorded(
        string $page,
        string $name,
        string $record,
        array $first,
        array $second,
        array $said,
    ): void {
        $page = strtr($page, ['{home}' => "/practitioners/{$this->practitioner->id}",
            '{id}' => (string) $this->practitioner->id]);
        $form = $this->client->request('GET', $page)->filter("form[name=\"$name\"]")->form();
        $once = array_replace_recursive($form->getPhpValues(), [$name => $first]);
        $page = $form->getUri();
        $before = $this->howMany($record);
        $this->client->request('POST', $page, $once);
        self::assertResponseRedirects();
        $onward = $this->client->getResponse()->headers->get('Location');
        $one = $this->howMany($record);
        self::assertGreaterThan($before, $one);

        $this->client->request('POST', $page, $once);
        self::assertResponseRedirects(message: 'As it was:');
        self::assertSame($onward, $this->client->getResponse()->headers->get('Location'),
            'it leads where it led before,');
        self::assertSame($one, $this->howMany($record), 'and makes no second record.');
        $this->client->followRedirect();

        $this->client->request('POST', $page, array_replace_recursive($once, [$name => $second]));
        self::assertResponseStatusCodeSame(422);
        self::assertSame($one, $this->howMany($record), 'With something else: not recorded unasked.');
        self::assertSelectorTextContains('[role="alert"]', 'saved already');
        foreach ($said as $text) {
            self::assertSelectorTextContains('table.differs', $text);
        }

        $again = $this->client->getCrawler()->filter("form[name=\"$name\"]")->form();
        self::assertNotSame($once[$name]['entry'], $again->getPhpValues()[$name]['entry']);
        $this->client->submit($again);
        self::assertGreaterThan($one, $this->howMany($record), 'Sent on purpose it is a record of its own.');
    }

    public function testAConditionToldWhenSentAgainHolds(): void
    {
        $page = "/practitioners/{$this->practitioner->id}/assessments/new";
        $form = $this->client->request('GET', $page)->filter('form[name="before"]')->form();
        $once = array_replace_recursive($form->getPhpValues(),
            ['before' => ['consent' => '1', 'pain' => self::NOTHING_HURTS, 'warm' => '1']]);
        $this->client->request('POST', $page, $once);
        $this->client->request('POST', $page, array_replace_recursive($once,
            ['before' => ['clinician_first' => ['knee-surgery'], 'side' => 'left']]));
        $this->client->submit($this->client->getCrawler()->filter('form[name="before"]')->form());
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'knee');
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}/poses/half-lotus");
        self::assertSelectorTextContains('.side-left', 'On hold');
    }

    public function testAClearanceSentAgainWithAnotherWordIsNotSilentlyDropped(): void
    {
        $this->em()->persist(new Assessment(Uuid::v7(), $this->practitioner, $this->practitioner->teacher,
            new \DateTimeImmutable('-9 days'), false, [], [], ['knee-surgery:left'], '', false, 0, PainPlace::None,
            PainKind::Ache));
        $this->em()->flush();
        $page = "/practitioners/{$this->practitioner->id}/clearance";
        $form = $this->client->request('GET', $page)->filter('form[name="clearance_form"]')->form();
        $values = $form->getPhpValues();
        $all = array_map(static fn (ChoiceFormField $box): string => $box->availableOptionValues()[0],
            self::boxes($form, 'clearance_form[names]'));
        $values['clearance_form'] = array_replace($values['clearance_form'],
            ['clearedBy' => 'Clinic', 'profession' => 'doctor', 'allowance' => ['extent' => 'all'],
                'word' => 'clinician', 'givenOn' => date('Y-m-d'),
                'allows' => 'all of it, from the ground up', 'asked' => '1', 'names' => [$all[0]]]);
        $this->client->request('POST', $page, $values);
        self::assertResponseRedirects();
        $values['clearance_form']['allows'] = 'gentle work alone, and no twisting';
        $this->client->request('POST', $page, $values);
        self::assertSame(1, $this->howMany(Clearance::class));
        self::assertResponseStatusCodeSame(422);
    }

    public function testAnotherTeachersFormTellsNothing(): void
    {
        $other = $this->teacher('other@studio.example');
        $entry = Uuid::v7();
        $this->em()->persist(new SentForm($entry, $other, new \DateTimeImmutable(), ['name' => 'Somebody else']));
        $this->em()->flush();
        $form = $this->client->request('GET', '/practitioners/new')->filter('form[name="practitioner_form"]')->form();
        $this->client->request('POST', '/practitioners/new',
            array_replace_recursive($form->getPhpValues(), ['practitioner_form' => ['name' => 'Imre',
                'entry' => (string) $entry]]));
        self::assertSelectorNotExists('table.differs');
        self::assertStringNotContainsString('Somebody else', (string) $this->client->getResponse()->getContent());
    }

    public function testAPageOfSomebodyMergedSinceIsOfTheOneWhoStays(): void
    {
        $gone = Uuid::v7();
        $this->em()->getConnection()->executeStatement('INSERT INTO merged (id, into_id) VALUES (?, ?)', [
            $gone->toBinary(),
            $this->practitioner->id->toBinary(),
        ]);
        $home = '/practitioners/'.$this->practitioner->id;
        $page = $this->client->request('GET', "$home/walk/half-lotus");
        $form = $page->filter('form[name="walk_form"]')->form();
        $form['walk_form[seen]']->setValue('not-clean');
        $form['walk_form[pain][level]']->setValue('3');
        $form['walk_form[pain][place]']->setValue('knee');
        $this->client->request(
            'POST',
            str_replace((string) $this->practitioner->id, (string) $gone, $form->getUri()),
            $form->getPhpValues(),
        );
        self::assertResponseRedirects();
        $seen = $this->em()->getRepository(SeenRung::class)->findOneBy([]);
        self::assertEquals($this->practitioner->id, $seen?->practitioner->id);
        self::assertSame(3, $seen->painLevel);

        $this->client->loginUser($this->teacher('other@studio.example'));
        $this->client->request('GET', "/practitioners/$gone");
        self::assertResponseStatusCodeSame(404);
    }

    public function testWhatWasTypedIsForgottenAfterAWhile(): void
    {
        $this->em()->persist(new SentForm(Uuid::v7(), $this->teacher('third@studio.example'),
            new \DateTimeImmutable('-31 days'), ['name' => 'Old']));
        $this->em()->flush();
        $this->client->request('GET', '/practitioners/new');
        $this->client->submitForm('Continue to the body', ['practitioner_form[name]' => 'Imre',
            'practitioner_form[consent]' => '1']);
        self::assertSame(['Imre'], array_map(static fn (SentForm $form): string => $form->typed['name'], $this->em()
            ->getRepository(SentForm::class)->findAll()));
    }
}
