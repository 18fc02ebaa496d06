<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\FeltInRung;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Exchange\LogList;
use LucidAscent\App\Figure\FeltMap;
use LucidAscent\App\Json\FeltFields;
use LucidAscent\App\Json\PainFields;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\History\Entry\FeltSaid;
use LucidAscent\Core\Posture\FeltPlace;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\Uuid;

/** Where a rung is felt: asked at each place where somebody practises, and kept. */
final class FeltTest extends AppTestCase
{
    private Teacher $teacher;
    private Practitioner $person;
    private string $home;

    protected function setUp(): void
    {
        parent::setUp();
        $this->teacher = $this->teacher();
        $this->person = $this->practitioner($this->teacher);
        $this->home = "/practitioners/{$this->person->id}";
        $this->client->loginUser($this->teacher);
        $this->tested($this->person, 12.0, 16.0);
    }

    public function testAWrongPlaceWarnsAtOnceAndSaysWhatToChange(): void
    {
        $form = $this->client->request('GET', "$this->home/walk/pigeon")->selectButton('Save and continue')->form();
        self::assertSelectorTextContains('[data-felt]', 'Should be felt: outer seat.');
        $send = function (array $felt) use ($form): void {
            $values = $form->getPhpValues();
            $values['walk_form'] = ['seen' => 'clean', 'felt' => $felt,
                'pain' => ['level' => '0', 'place' => 'none', 'kind' => 'ache']] + $values['walk_form'];
            $this->client->request('POST', $form->getUri(), $values);
        };
        // Two taps: without the second it comes back, with the first as it was.
        $send(['place' => 'low-back']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('[data-felt] .fault', 'Choose what it was like.');
        self::assertSelectorExists('[data-felt] input[value="low-back"][checked]');
        $send(['kind' => 'stretch']);
        self::assertSelectorTextContains('[data-felt] .fault', 'Choose where it was felt.');
        self::assertSame([0, 0], [$this->howMany(FeltInRung::class), $this->howMany(PainSaid::class)]);
        $send(['place' => 'low-back', 'kind' => 'stretch']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('.note.caution', 'Felt in: low back. Come out.');
        $send(['place' => 'low-back', 'kind' => 'stretch']);
        self::assertSame([1, 0], [$this->howMany(FeltInRung::class), $this->howMany(PainSaid::class)], 'Once.');
        $this->client->request('GET', "$this->home/journal");
        self::assertSelectorTextContains('.journal', 'low back');
        $this->client->request('GET', "$this->home/progress");
        self::assertSelectorTextContains('.felt-months', 'low back');
        self::assertSelectorExists('.felt-months .spot.is-wrong');
        // Nobody knows how serious a place is that is on no list: it comes back, and holds meanwhile.
        $send(['place' => 'elbow', 'kind' => 'stretch']);
        self::assertSelectorTextContains('[data-felt] .fault', 'Choose from the list.');
        self::assertSame([1, 1], [$this->howMany(FeltInRung::class), $this->howMany(PainSaid::class)]);
    }

    public function testTwiceInTheSameWrongPlaceTheLadderSaysSo(): void
    {
        foreach ([6, 3, 1] as $ago) {
            $on = new \DateTimeImmutable("-$ago days midnight");
            $this->em()->persist(new RungCheck(Uuid::v7(), $this->person, $this->teacher, 'cat-stretch', Side::Left,
                'breath',
                $on, $on, null, true, true, 0, PainPlace::None, PainKind::Ache, [], false, ''));
        }
        $this->em()->flush();
        $at = fn (string $address = ''): string => $this->client->request('GET', "$this->home/ladder/cat-stretch")
            ->filter('[data-stand^="cat-stretch left"]')->attr('data-stand') ?? '';
        self::assertSame('cat-stretch left sway', $at());
        foreach ([3, 1] as $ago) {
            $this->felt('low-back', $ago);
        }
        self::assertSame('cat-stretch left breath', $at());
        self::assertSelectorTextContains('.is-here', 'Felt in the same wrong place twice: low back.');
        self::assertSelectorTextContains('.stairs', 'First With the breath again.');
    }

    public function testALogKeepsItForEachSideOnceAndInADocumentItIsTheSame(): void
    {
        $this->client->request('GET', "$this->home/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '1']);
        $this->client->request('GET', '/session-token');
        $token = json_decode((string) $this->client->getResponse()->getContent(), true)['token'];
        $item = ['posture' => 'pigeon', 'rung' => 'wall', 'side' => 'both', 'holdReached' => true, 'evenBreath' => true,
            'compensations' => [], 'pain' => ['level' => 0], 'propsUsed' => true,
            'felt' => ['place' => 'deep-crease', 'kind' => 'pinching']];
        $log = ['id' => (string) Uuid::v7(), 'on' => date('Y-m-d'), 'soreAtNight' => false, 'items' => [$item]];
        $of = $this->em()->getRepository(PracticePlan::class)->findAll()[0]->id;
        $send = function (array $log) use ($token, $of): int {
            $this->client->request('POST', "$this->home/plans/$of/log", server: ['HTTP_X_TOKEN' => $token],
                content: (string) json_encode($log));

            return $this->client->getResponse()->getStatusCode();
        };
        self::assertSame([200, 200], [$send($log), $send($log)]);
        self::assertSame([2, 2], [$this->howMany(FeltInRung::class), $this->howMany(PainSaid::class)],
            'A pinch is pain, on both sides.');
        self::assertSame(422, $send(['id' => 'none'] + $log));
        self::assertSame([2, 4], [$this->howMany(FeltInRung::class), $this->howMany(PainSaid::class)],
            'Of what session nobody knows: what hurts is heard.');

        $read = LogList::of([['items' => [$item]] + $log], self::getContainer()->get(Catalogue::class),
            new \DateTimeImmutable());
        $felt = array_values(array_filter($read->entries, static fn ($one): bool => $one instanceof FeltSaid));
        self::assertSame([['pigeon', 'wall', 'left', 'deep-crease'], ['pigeon', 'wall', 'right', 'deep-crease']],
            array_map(static fn (FeltSaid $one): array => [$one->posture, $one->rung, $one->side?->value,
                $one->place->id], $felt));
        self::assertTrue($felt[0]->pain()->equals(new Pain(1, PainPlace::Groin, PainKind::Pinching)));
    }

    public function testAClassKeepsItInTheRungThatIsTheirs(): void
    {
        $form = $this->client->request('GET', '/classes/new')->selectButton('Save class')->form();
        $form['class_form[name]'] = 'Hips';
        $this->client->request('POST', '/classes/new', ['people' => [(string) $this->person->id],
            'postures' => ['pigeon'], 'minutes' => ['pigeon' => '5']] + $form->getPhpValues());
        $class = basename((string) $this->client->getResponse()->headers->get('Location'));
        $id = (string) $this->person->id;
        $form = $this->client->request('GET', "/classes/$class/after")->selectButton('Save')->form();
        $sent = ['felt' => [$id => ['posture' => 'pigeon', 'place' => 'low-back', 'kind' => 'stretch']],
            'felt_side' => [$id => 'left']];
        $this->client->request('POST', $form->getUri(), $sent + $form->getPhpValues());
        $felt = $this->em()->getRepository(FeltInRung::class)->findAll();
        self::assertSame([['pigeon', 'wall', 'left', 'low-back']], array_map(static fn (FeltInRung $one): array => [
            $one->posture, $one->rung, $one->side?->value, $one->felt], $felt));
        // A knee holds, whatever has become of the class meanwhile, and once.
        $knee = ['felt' => [$id => ['posture' => 'pigeon', 'place' => 'knee', 'kind' => 'stretch']]] + $sent;
        $this->client->request('POST', $form->getUri(), $knee + $form->getPhpValues());
        self::assertSame(1, $this->howMany(PainSaid::class));
        $this->client->request('GET', $this->home);
        self::assertSelectorTextContains('main', 'On hold');
        $gone = str_replace($class, (string) Uuid::v7(), $form->getUri());
        $this->client->request('POST', $gone, $knee + $form->getPhpValues());
        self::assertSame([404, 2], [$this->client->getResponse()->getStatusCode(), $this->howMany(PainSaid::class)]);
    }

    #[DataProvider('said')]
    public function testHowItIsRead(mixed $felt, ?array $said, ?Pain $unreadable): void
    {
        self::assertSame($said, FeltFields::said($felt));
        $heard = PainFields::everywhere(['items' => [['felt' => $felt]]]);
        self::assertCount(null === $unreadable ? 0 : 1, $heard);
        null === $unreadable || self::assertTrue($heard[0]->equals($unreadable));
    }

    /** @return iterable<string, array{mixed, array{string, PainKind}|null, Pain|null}> */
    public static function said(): iterable
    {
        yield 'nothing said' => [null, null, null];
        yield 'no place' => [['place' => ' '], null, null];
        yield 'no place, and it hurts' => [['kind' => 'sharp'], ['unknown', PainKind::Sharp],
            new Pain(1, PainPlace::Unknown, PainKind::Sharp)];
        yield 'a stretch' => [['place' => 'outer-seat', 'kind' => 'stretch'], ['outer-seat', PainKind::Stretch], null];
        yield 'without a kind' => [['place' => 'Outer-Seat'], ['outer-seat', PainKind::Stretch], null];
        yield 'a place as a word' => ['knee', ['knee', PainKind::Stretch],
            new Pain(1, PainPlace::Knee, PainKind::Stretch)];
        yield 'beside a knee' => [['place' => 'inner-thigh-knee'], ['inner-thigh-knee', PainKind::Stretch],
            new Pain(1, PainPlace::Knee, PainKind::Stretch)];
        yield 'a kind that nobody knows' => [['place' => 'calf', 'kind' => 'weird'], ['calf', PainKind::Sharp],
            new Pain(1, PainPlace::Unknown, PainKind::Sharp)];
        yield 'a kind that is no word' => [['place' => 'calf', 'kind' => [1]], ['calf', PainKind::Sharp],
            new Pain(1, PainPlace::Unknown, PainKind::Sharp)];
        yield 'nothing felt' => [['place' => 'nothing', 'kind' => 'sharp'], ['nothing', PainKind::Sharp], null];
        yield 'no place that there is' => [['place' => str_repeat('x', 99)], [str_repeat('x', 20), PainKind::Stretch],
            null];
    }

    /** Every place but nothing lies somewhere on the body, hurts somewhere, and says what to change. */
    public function testEachPlaceOfTheListIsOnTheBody(): void
    {
        $catalogue = self::getContainer()->get(Catalogue::class);
        foreach ($catalogue->feelings() as $id => $place) {
            self::assertSame(FeltPlace::NOTHING !== $id, FeltMap::shows($id), $id);
            self::assertSame(FeltPlace::NOTHING !== $id, isset($place['change']), $id);
            self::assertSame(FeltPlace::NOTHING === $id, PainPlace::None === $catalogue->feltPlace($id)->pain, $id);
        }
        self::assertSame(PainPlace::Unknown, $catalogue->feltPlace('elbow')->pain);
    }

    private function felt(string $place, int $ago): void
    {
        $on = new \DateTimeImmutable("-$ago days midnight");
        $this->em()->persist(new FeltInRung(Uuid::v7(), $this->person, $this->teacher, $on, $on, 'cat-stretch',
            'breath',
            Side::Left, $place, PainKind::Stretch, 'check'));
        $this->em()->flush();
    }
}
