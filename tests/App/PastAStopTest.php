<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\DomCrawler\Form;
use Symfony\Component\Uid\Uuid;

/**
 * Knee pain on the left, said in each place where it can be said, and then each page that might get past it: forms
 * that were opened before, addresses typed by hand, better news, corrections, plans, words that lift nothing.
 */
final class PastAStopTest extends AppTestCase
{
    private Practitioner $practitioner;
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->practitioner = $this->practitioner($teacher);
        $this->home = "/practitioners/{$this->practitioner->id}";
        $this->client->loginUser($teacher);
        $this->tested($this->practitioner, 12.0, 16.0);
        $this->client->request('GET', "$this->home/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '2']);
        self::assertSame('', $this->heldOn('left'), 'Nothing is held at first.');
    }

    /** @return iterable<string, array{string, string}> */
    public static function scenarios(): iterable
    {
        foreach (['test', 'testWithoutNumbers', 'faultyTest', 'check', 'faultyCheck', 'walk', 'screen', 'log',
            'questions'] as $said) {
            foreach (['test', 'check', 'walk', 'screen', 'log', 'questions', 'correction', 'plan', 'word'] as $past) {
                yield "said in $said, then $past" => [$said, $past];
            }
        }
        // That it was felt in the knee says as much, whatever was said of pain beside it.
        foreach (['feltAtCheck', 'feltAtFaultyCheck', 'feltAtWalk', 'feltUntried', 'feltInLog'] as $said) {
            foreach (['check', 'walk', 'log', 'plan', 'word', 'correction'] as $past) {
                yield "$said, then $past" => [$said, $past];
            }
        }
    }

    #[DataProvider('scenarios')]
    public function testNothingGetsPastIt(string $said, string $past): void
    {
        // The old tab: opened while nothing hurt.
        $open = match ($past) {
            'log', 'plan', 'word' => null,
            default => $this->form($past),
        };
        $this->{$said}(['level' => '3', 'place' => 'knee', 'kind' => 'ache'],
            in_array($said, ['log', 'feltInLog'], true) ? null : $this->form($said));
        self::assertSame('held', $this->heldOn('left'), 'It holds.');
        match ($past) {
            'plan' => $this->replan(),
            'word' => $this->word(),
            default => $this->{$past}(['level' => '0', 'place' => 'none', 'kind' => 'ache'], $open),
        };
        self::assertLessThan(500, $this->client->getResponse()->getStatusCode());
        self::assertSame('held', $this->heldOn('left'), 'It still holds.');
        $this->client->request('GET', '/');
        self::assertSelectorTextContains('main', 'On hold');
        $this->client->request('GET', "$this->home/ladder/half-lotus/check/left");
        self::assertResponseRedirects("$this->home/ladder");
        $this->client->request('GET', "$this->home/walk/half-lotus");
        self::assertSelectorTextNotContains('h1', 'left');
        $plan = $this->em()->getRepository(PracticePlan::class)->findBy([], ['at' => 'DESC', 'id' => 'DESC'])[0];
        $session = $this->client->request('GET', "$this->home/plans/$plan->id/sessions/0-0");
        self::assertResponseIsSuccessful();
        foreach (json_decode((string) $session->filter('[data-session]')->attr('data-session'), true) as $item) {
            self::assertSame('right', $item['side'], "$item[posture] goes on.");
            self::assertTrue($item['gentle'], "$item[posture] is deep beside a side that rests.");
        }
    }

    /** @return string held, or nothing: as the page of the person has it for half lotus */
    private function heldOn(string $side): string
    {
        $marks = $this->client->request('GET', $this->home)->filter("[data-reading^=\"half-lotus $side\"]");
        self::assertCount(1, $marks);

        return str_ends_with((string) $marks->attr('data-reading'), 'held') ? 'held' : '';
    }

    private function form(string $of): Form
    {
        [$address, $button] = match ($of) {
            'check', 'faultyCheck', 'feltAtCheck', 'feltAtFaultyCheck' => [
                "$this->home/ladder/half-lotus/check/left", 'Save and see what comes next'],
            'walk', 'feltAtWalk', 'feltUntried' => ["$this->home/walk/half-lotus", 'Save and continue'],
            'screen' => ["/screen/{$this->practitioner->id}?people[]={$this->practitioner->id}",
                'Save and next person'],
            'questions' => ["$this->home/assessments/new", 'Show the tests'],
            'correction' => [$this->home, null],
            default => ["$this->home/tests/soles-together", 'Save test'],
        };
        $crawler = $this->client->request('GET', $address);
        if (null === $button) {
            $crawler = $this->client->clickLink('Correct');
        }

        return null === $button ? $crawler->filter('form[name="bench"]')->form() : $crawler->selectButton($button)
            ->form();
    }

    /** @param array<string, string> $pain */
    private function test(array $pain, Form $form): void
    {
        $values = $form->getPhpValues();
        foreach ([0, 1] as $i) {
            $values['bench']['trials'][$i] = ['kneeHeight_left' => '12', 'heelDistance' => '16',
                'kneeHeight_right' => '12'];
        }
        $this->post($form, 'bench', ['painLeft' => $pain, 'painRight' => ['level' => '0', 'place' => 'none',
            'kind' => 'ache'], 'trials' => $values['bench']['trials']]);
    }

    /** @param array<string, string> $pain */
    private function correction(array $pain, Form $form): void
    {
        $this->test($pain, $form);
    }

    /** @param array<string, string> $pain */
    private function testWithoutNumbers(array $pain, Form $form): void
    {
        $this->post($form, 'bench', ['painLeft' => $pain, 'painRight' => ['level' => '0', 'place' => 'none',
            'kind' => 'ache'], 'trials' => [['heelDistance' => '16', 'kneeHeight_right' => '12'],
                ['heelDistance' => '16', 'kneeHeight_right' => '12']]]);
    }

    /** @param array<string, string> $pain */
    private function faultyTest(array $pain, Form $form): void
    {
        $this->post($form, 'bench', ['painLeft' => $pain, 'trials' => [['heelDistance' => 'x']]]);
        self::assertResponseStatusCodeSame(422);
    }

    /** @param array<string, string> $pain */
    private function check(array $pain, Form $form): void
    {
        $this->post($form, 'check_form', ['pain' => $pain, 'holdReached' => '1', 'evenBreath' => '1',
            'practisedOn' => date('Y-m-d')]);
    }

    /** @param array<string, string> $pain */
    private function faultyCheck(array $pain, Form $form): void
    {
        $this->post($form, 'check_form', ['pain' => $pain, 'practisedOn' => 'yesterday']);
        self::assertResponseStatusCodeSame(422);
    }

    /** @param array<string, string> $pain */
    private function walk(array $pain, Form $form): void
    {
        $this->post($form, 'walk_form', ['seen' => '0' === $pain['level'] ? 'clean' : 'not-clean', 'pain' => $pain]);
    }

    private const NO_PAIN = ['level' => '0', 'place' => 'none', 'kind' => 'ache'];
    private const FELT = ['place' => 'knee', 'kind' => 'stretch'];

    private function feltAtCheck(mixed $pain, Form $form): void
    {
        $this->post($form, 'check_form', ['pain' => self::NO_PAIN, 'felt' => self::FELT, 'holdReached' => '1',
            'evenBreath' => '1', 'practisedOn' => date('Y-m-d')]);
        self::assertResponseRedirects();
    }

    private function feltAtFaultyCheck(mixed $pain, Form $form): void
    {
        $this->post($form, 'check_form', ['pain' => self::NO_PAIN, 'felt' => self::FELT,
            'practisedOn' => 'yesterday']);
        self::assertResponseStatusCodeSame(422);
    }

    private function feltAtWalk(mixed $pain, Form $form): void
    {
        $this->post($form, 'walk_form', ['seen' => 'clean', 'pain' => self::NO_PAIN, 'felt' => self::FELT]);
        self::assertResponseRedirects();
    }

    private function feltUntried(mixed $pain, Form $form): void
    {
        $this->post($form, 'walk_form', ['seen' => 'not-tried', 'pain' => self::NO_PAIN, 'felt' => self::FELT]);
        self::assertResponseRedirects();
    }

    private function feltInLog(mixed $pain, ?Form $form): void
    {
        $this->log(self::NO_PAIN, $form, ['felt' => self::FELT]);
        self::assertResponseIsSuccessful();
    }

    /** @param array<string, string> $pain */
    private function screen(array $pain, Form $form): void
    {
        $this->post($form, 'screen', ['consent' => '1', 'stature' => '168', 'solesKneeLeft' => '12',
            'solesHeels' => '16', 'solesKneeRight' => '12', 'painLeft' => $pain,
            'painRight' => ['level' => '0', 'place' => 'none', 'kind' => 'ache']]);
    }

    /** @param array<string, string> $pain */
    private function questions(array $pain, Form $form): void
    {
        $this->post($form, 'before', ['consent' => '1', 'warm' => '1', 'pain' => $pain, 'side' => 'left']);
    }

    /**
     * @param array<string, string> $pain
     * @param array<string, mixed> $more
     */
    private function log(array $pain, ?Form $form, array $more = []): void
    {
        $plan = $this->em()->getRepository(PracticePlan::class)->findBy([], ['at' => 'DESC', 'id' => 'DESC'])[0];
        $items = array_values(array_filter($plan->plan['weeks'][0]['sessions'][0]['items'],
            static fn (array $item): bool => 'work' === $item['phase'] && 'right' !== $item['side']));
        $work = ['posture' => $items[0]['posture'] ?? 'half-lotus', 'rung' => $items[0]['rung'] ?? 'lying-figure-four',
            'side' => 'left', 'holdReached' => true, 'evenBreath' => true, 'compensations' => []];
        $said = ['level' => (int) $pain['level'], 'where' => $pain['place'], 'kind' => $pain['kind']];
        $this->client->request('GET', '/session-token');
        $token = json_decode((string) $this->client->getResponse()->getContent(), true)['token'];
        $this->client->request('POST', "$this->home/plans/$plan->id/log",
            server: ['HTTP_X_TOKEN' => $token, 'CONTENT_TYPE' => 'application/json'],
            content: (string) json_encode(['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'),
                'items' => [$work + ['pain' => $said] + $more]]));
    }

    private function replan(): void
    {
        $this->client->request('GET', "$this->home/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '1']);
    }

    /** Words that lift nothing: one that names nothing, and the teacher's own for what only a clinician lifts. */
    private function word(): void
    {
        $crawler = $this->client->request('GET', "$this->home/clearance");
        $form = $crawler->selectButton('Save clearance')
            ->form(['clearance_form[word]' => 'clinician', 'clearance_form[clearedBy]' => 'A. Clinician',
                'clearance_form[profession]' => 'doctor', 'clearance_form[allowance][extent]' => 'all',
                'clearance_form[allows]' => 'Nothing found; everything is allowed.', 'clearance_form[asked]' => true]);
        $this->client->submit($form);
        self::assertResponseStatusCodeSame(422);
        $form['clearance_form[word]'] = 'teacher';
        foreach (self::boxes($form, 'clearance_form[names]') as $name) {
            $name->tick();
        }
        $this->client->submit($form);
        self::assertResponseStatusCodeSame(422);
    }

    /**
     * A field that is missing is a question that was not answered: it comes back as such, and is no error of the
     * server.
     */
    #[TestWith(['test']),
        TestWith(['check']),
        TestWith(['walk']),
        TestWith(['screen']),
        TestWith(['questions']),
        TestWith(['correction']),]
    public function testAMissingFieldIsNoErrorOfTheServer(string $of): void
    {
        $form = $this->form($of);
        $values = $form->getPhpValues();
        $name = (string) array_key_first(array_filter($values, is_array(...)));
        foreach (array_keys($values[$name]) as $missing) {
            $this->client->request('POST', $form->getUri(), [$name => array_diff_key($values[$name],
                [$missing => 1])] + $values);
            self::assertLessThan(500, $this->client->getResponse()->getStatusCode(), "$of without $missing");
        }
        $this->client->request('POST', $form->getUri(), [$name => ['_token' => $values[$name]['_token'] ?? '']]);
        self::assertLessThan(500, $this->client->getResponse()->getStatusCode(), "$of without anything");
        foreach (array_keys($values[$name]) as $field) {
            $this->client->request('POST', $form->getUri(), [$name => [$field => is_array($values[$name][$field]) ? 'x'
                    : ['x' => ['y']]] + $values[$name]] + $values);
            self::assertLessThan(500, $this->client->getResponse()->getStatusCode(),
                "$of with another shape of $field");
        }
    }

    /** @param array<string, mixed> $answers */
    private function post(Form $form, string $name, array $answers): void
    {
        $values = $form->getPhpValues();
        $values[$name] = array_replace($values[$name] ?? [], $answers);
        $this->client->request('POST', $form->getUri(), $values);
    }
}
