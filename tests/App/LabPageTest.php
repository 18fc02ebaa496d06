<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\ContactList;
use LucidAscent\App\Entity\LabSetup;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Lab\LabAnswer;
use LucidAscent\App\Lab\LabCapacity;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\LegChain\Contact\HalfLotus;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Tests\Core\Readiness\Person;
use PHPUnit\Framework\Attributes\DataProvider;

final class LabPageTest extends AppTestCase
{
    private Practitioner $practitioner;
    private string $page;

    protected function setUp(): void
    {
        parent::setUp();
        $teacher = $this->teacher();
        $this->practitioner = $this->practitioner($teacher);
        $this->tested($this->practitioner);
        $this->page = "/practitioners/{$this->practitioner->id}/lab";
        $this->client->loginUser($teacher);
    }

    #[DataProvider('postures')]
    public function testEveryPostureAnswersWhereItsControlsStart(string $posture): void
    {
        $answer = $this->ask(['posture' => $posture, 'values' => self::start($posture)]);
        self::assertArrayNotHasKey('error', $answer, (string) json_encode($answer));
        self::assertNotSame([], $answer['components']);
        foreach ($answer['components'] as $component) {
            self::assertEqualsWithDelta($component['has'] - $component['asked'], $component['difference'], 1e-9);
        }
        self::assertTrue((new \DOMDocument())->loadXML($answer['picture']), 'the whole body');
    }

    public function testASetUpIsLookedAtFromEverySide(): void
    {
        $question = ['posture' => 'half-lotus', 'values' => self::start('half-lotus')];
        $pictures = array_map(fn (string $view): string => $this->ask($question + ['view' => $view])['picture'],
            LabAnswer::VIEWS);
        self::assertSame($pictures, array_unique($pictures));
        self::assertContains($this->ask($question)['picture'], $pictures, 'Where none is named, from one of them.');
        self::assertContains($this->ask($question + ['view' => 'behind the moon'])['picture'], $pictures);
    }

    public static function postures(): iterable
    {
        foreach (array_keys(ContactList::toSetUp()) as $posture) {
            yield $posture => [$posture];
        }
    }

    #[DataProvider('postures')]
    public function testEveryPostureAnswersOrSaysWhyAtTheEndsOfItsControls(string $posture): void
    {
        $person = Proportions::of(Length::cm(155));
        $known = LabCapacity::of(Person::of([], [], $person), Side::Left);
        foreach (['least', 'most'] as $end) {
            $values = [];
            foreach (ContactList::all()[$posture]->controls as $control) {
                $values[$control->name] = $control->{$end};
            }
            $answer = LabAnswer::to(['posture' => $posture, 'values' => $values], Side::Left, $person, $known);
            self::assertTrue(isset($answer['components']) || 'out-of-reach' === $answer['error']['code']
                || 'straight-knee' === $answer['error']['code'], (string) json_encode($answer));
            self::assertJson((string) json_encode($answer, JSON_THROW_ON_ERROR));
        }
    }

    public function testTheLabAndTheCoreGiveTheSameAngles(): void
    {
        $answer = $this->ask(['posture' => 'half-lotus', 'values' => ['kneeHeight' => 17, 'seat' => 3,
            'pelvicTilt' => -4]]);
        $body = $this->em()->getRepository(\LucidAscent\App\Entity\BodyMeasures::class)->findAll()[0]->proportions()
            ->body(Side::Left);
        $angles = (new KneeAtHeight(HalfLotus::place(new Sitting(3, -4)), 17))->angles($body);
        foreach ($angles as $name => $degrees) {
            self::assertEqualsWithDelta($degrees, $answer['components'][$name]['asked'], 1e-9);
        }
    }

    public function testWhatWasNeverTestedIsAMarkedStandIn(): void
    {
        $of = static fn (array $trials, string $on = '2026-03-10'): array => LabCapacity::of(Person::of($trials, [],
            Proportions::of(Length::cm(168)), $on), Side::Left)->isStandIn;
        self::assertSame(['flexion' => true, 'abduction' => true, 'rotation' => true, 'kneeFlexion' => true], $of([]));
        $sitting = ['soles-together' => [['kneeHeight' => 14.0, 'heelDistance' => 20.0]]];
        self::assertSame(['flexion' => true, 'abduction' => false, 'rotation' => false, 'kneeFlexion' => false],
            $of($sitting));
        self::assertTrue($of($sitting, '2026-06-20')['rotation'], 'Too long ago.');
    }

    public function testWhatIsHeldIsSaidAndNoPropIsOffered(): void
    {
        $question = ['posture' => 'half-lotus', 'values' => ['kneeHeight' => 17, 'seat' => 0, 'pelvicTilt' => 0]];
        $of = static fn (array $conditions): array => LabAnswer::to($question, Side::Left,
            Proportions::of(Length::cm(168)), LabCapacity::of(Person::of([], $conditions), Side::Left));
        self::assertSame([], $of([])['held']);
        self::assertNotSame([], $of([])['advice']);
        $held = $of([new Condition('knee-surgery', 'Knee surgery', ['knee-folded'])]);
        self::assertSame([['Knee surgery'], []], [$held['held'], $held['advice']]);
    }

    #[DataProvider('faults')]
    public function testAWrongSetUpIsNamed(mixed $question, string $code): void
    {
        self::assertSame($code, $this->ask($question)['error']['code'] ?? null);
    }

    public static function faults(): iterable
    {
        yield 'no question' => [[], 'bad-input'];
        yield 'unknown posture' => [['posture' => 'handstand', 'values' => []], 'bad-input'];
        yield 'a text' => [['posture' => 'frog', 'values' => ['span' => 'wide']], 'bad-input'];
        yield 'missing' => [['posture' => 'half-lotus', 'values' => ['seat' => 1]], 'bad-input'];
        yield 'too far' => [['posture' => 'soles-together', 'values' => ['kneeHeight' => 14, 'heelDistance' => 100]],
            'out-of-reach'];
        yield 'a blanket of a metre' => [['posture' => 'frog', 'values' => ['span' => 80], 'blanket' => 100],
            'bad-input'];
    }

    public function testASetUpIsKeptOnceAndCanBeOpenedAgain(): void
    {
        $crawler = $this->client->request('GET', $this->page);
        $sent = [
            '_token' => $crawler->filter('form.lab')->attr('data-token'),
            'entry' => $crawler->filter('input[name=entry]')->attr('value'),
            'posture' => 'half-lotus-easy',
            'values' => ['kneeHeight' => '22.5', 'seat' => '3', 'pelvicTilt' => '0'],
        ];
        $this->client->request('POST', "$this->page/right/keep", $sent);
        $this->client->request('POST', "$this->page/right/keep", $sent);
        self::assertSame(1, $this->howMany(LabSetup::class));
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'knee height 22.5 cm');
        self::assertStringContainsString('22.5', (string) $this->client->getCrawler()->filter('form.lab')
            ->attr('data-values'));

        $this->client->request('POST', "$this->page/right/keep",
            ['values' => ['kneeHeight' => '90', 'seat' => '3', 'pelvicTilt' => '0']] + $sent);
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Nothing was saved');
        $this->client->request('POST', "$this->page/right/keep", ['_token' => 'made up'] + $sent);
        self::assertResponseStatusCodeSame(403);
        self::assertSame(1, $this->howMany(LabSetup::class));
    }

    /** @return array<string, float> */
    private static function start(string $posture): array
    {
        $values = [];
        foreach (ContactList::all()[$posture]->controls as $control) {
            $values[$control->name] = $control->start;
        }

        return $values;
    }

    private function ask(mixed $question): array
    {
        $token = $this->client->request('GET', $this->page)->filter('form.lab')->attr('data-token');
        $this->client->request('POST', "$this->page/left", server: ['HTTP_X_TOKEN' => $token,
            'CONTENT_TYPE' => 'application/json'], content: (string) json_encode($question));
        self::assertResponseIsSuccessful();

        return json_decode((string) $this->client->getResponse()->getContent(), true);
    }
}
