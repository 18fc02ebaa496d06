<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Plan\PlanCodec;
use LucidAscent\App\Plan\PlanningRequest;
use LucidAscent\App\Plan\RequestCodec;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlanRequest;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Clock\Test\ClockSensitiveTrait;
use Symfony\Component\Uid\Uuid;

/** Plans as they are kept; fresh ones of many people go there and back in another test. */
final class PlanCodecTest extends AppTestCase
{
    use ClockSensitiveTrait;

    private const REQUEST = ['weeks' => 1, 'days' => ['mon', 'thu'], 'minutes' => 45, 'school' => 'long-still',
        'props' => ['blocks' => 2, 'blankets' => 2, 'strap' => true]];

    /** Kept when a plan was still kept in words. */
    public function testAPlanOfTheFirstVersionIsReadAsItStands(): void
    {
        $plan = self::codec()->read(Fields::of(self::first()),
            RequestCodec::read(Fields::of(self::REQUEST), new \DateTimeImmutable('2026-03-02')));
        $session = $plan->weeks[0]->sessions[0];
        self::assertSame(
            ['warm-up cobra/low both 60', 'work figure-four/lying left 165 press-and-yield',
                'work figure-four/lying right 165 press-and-yield', 'work figure-four/seated-wall left 70',
                'work easy-cross-leg/high-seat left 375', 'work easy-cross-leg/high-seat right 375',
                'counter seated-hamstring/upright both 45', 'work lotus/circle left 90',
                'rest legs-up-wall/up both 215'],
            array_map(static fn (PlannedItem $item): string => trim(sprintf('%s %s/%s %s %d %s', $item->phase->value,
                $item->rung->posture, $item->rung->rung->id, $item->side->value ?? 'both', $item->seconds,
                $item->drill->id ?? '')), $session->items),
        );
        self::assertSame([null, 4.99], [$session->items[3]->propHeight, $session->items[4]->propHeight]);
        self::assertSame('Works on the keystone: rotation, right side.', $session->items[4]->because->numbers['text']);
        self::assertTrue($plan->weeks[0]->isLight);
        self::assertTrue($session->isAfterSport);
        self::assertSame(['lotus', 'long-still', 12, 'Pigeon is for another day.'],
            [$session->theme, $session->dose?->school, $session->unused?->minutes,
                $session->tradesAway['pigeon']->numbers['text']]);
        self::assertSame(['shins-stacked', Side::Right, Ability::ExternalRotation],
            [$session->measure?->test->id, $session->measure?->side, $session->measure?->ability]);
        self::assertSame('Hero is held.', $plan->leftOut['hero']->numbers['text']);
        self::assertSame([1, '2026-03-09', ['shins-stacked']],
            [$plan->retests[0]['week'], $plan->retests[0]['on']->format('Y-m-d'), $plan->retests[0]['tests']]);
        // Changed by hand, it is kept in the newer version, and says the same.
        $newer = json_decode((string) json_encode(self::codec()->write($plan)), true);
        self::assertSame(PlanCodec::VERSION, $newer['version']);
        self::assertEquals($plan, self::codec()->read(Fields::of($newer),
            RequestCodec::read(Fields::of(self::REQUEST), new \DateTimeImmutable('2026-03-02'))));
    }

    public function testItsPagesSayWhatTheySaidThen(): void
    {
        self::mockTime('2026-03-05 08:00:00');
        $teacher = $this->teacher();
        $practitioner = $this->practitioner($teacher);
        $this->tested($practitioner);
        $plan = new PracticePlan(Uuid::v7(), $practitioner, $teacher, new \DateTimeImmutable('2026-03-01'), '7',
            self::REQUEST, self::first(), null, '');
        $this->em()->persist($plan);
        $this->em()->flush();
        $this->client->loginUser($teacher);
        $home = "/practitioners/$practitioner->id/plans/$plan->id";
        $page = $this->client->request('GET', $home);
        self::assertResponseIsSuccessful();
        self::assertCount(9, $page->filter('.strip > li'));
        self::assertSelectorTextContains('main', 'Pigeon is for another day.');
        self::assertSelectorTextContains('main', 'Hero is held.');
        $this->client->request('GET', "$home/items/0-0-4");
        self::assertSelectorTextContains('[data-item-panel]', 'Works on the keystone: rotation, right side.');
        foreach (["$home/sessions/0-0", "$home/print"] as $address) {
            $this->client->request('GET', $address);
            self::assertResponseIsSuccessful();
        }
    }

    /** Codes are kept, not words: no text of a page stands in a plan. */
    public function testAPlanIsKeptInCodes(): void
    {
        $teacher = $this->teacher();
        $practitioner = $this->practitioner($teacher);
        $this->tested($practitioner);
        $this->client->loginUser($teacher);
        $this->client->request('GET', "/practitioners/$practitioner->id/plans/new");
        $this->client->submitForm('Make plan');
        self::assertResponseRedirects();
        $kept = $this->em()->getRepository(PracticePlan::class)->findOneBy([])->plan ?? self::fail();
        array_walk_recursive($kept, static fn (mixed $value): mixed => is_string($value)
            ? self::assertDoesNotMatchRegularExpression('/\.$|\S+ \S+ \S+ \S+/', $value) : null);
        self::assertSame(['because', 'phase', 'posture', 'rung', 'seconds', 'side'],
            array_values(array_intersect(['because', 'breaths', 'cues', 'phase', 'posture', 'rung', 'seconds', 'side',
                'props'], array_keys($kept['weeks'][0]['sessions'][0]['items'][0]))));
    }

    public function testWhatIsAskedGoesThereAndBack(): void
    {
        $asked = new PlanningRequest(
            new PlanRequest(new \DateTimeImmutable('2026-03-02', new \DateTimeZone('UTC')), 3, [1, 4, 7], 50,
                new Equipment(1, 2, true, ['wall']), ['hero'], ['pigeon'], [6], ['cobra', 'hero']),
            'counted-breath',
            [4 => 'long-still'],
            ['flat' => 7.0, 'blanket' => 2.5],
            '06:30',
            'Europe/Berlin',
        );
        $kept = json_decode((string) json_encode(RequestCodec::write($asked)), true);
        self::assertEquals($asked, RequestCodec::read(Fields::of($kept), $asked->request->from));
        self::assertSame(['counted-breath', 'long-still'],
            array_map(static fn (string $day): ?string => $asked->schoolOn(new \DateTimeImmutable($day)),
                ['2026-03-04', '2026-03-05']));
        self::assertSame('2026-03-09', $asked->from(new \DateTimeImmutable('2026-03-09'))
            ->request->from->format('Y-m-d'));
    }

    /** @param array<string, mixed> $with */
    #[DataProvider('wrong')]
    public function testWhatNobodyCanAskForIsRefused(array $with, string $field): void
    {
        try {
            RequestCodec::read(Fields::of($with + self::REQUEST), new \DateTimeImmutable('2026-03-02'));
            self::fail('It was read.');
        } catch (InvalidValue $refused) {
            self::assertSame($field, $refused->field);
        }
    }

    public static function wrong(): iterable
    {
        yield 'no day of the week' => [['days' => ['mon', 'someday']], 'days'];
        yield 'no days' => [['days' => []], 'days'];
        yield 'half a week' => [['weeks' => 1.5], 'weeks'];
        yield 'two hours and a bit' => [['minutes' => 181], 'minutes'];
        yield 'no such thing' => [['equipment' => ['block', 'ladder']], 'equipment'];
        yield 'a time of no day' => [['time' => '24:00'], 'time'];
        yield 'nowhere' => [['zone' => 'Europe/Nowhere'], 'zone'];
        yield 'a school of no day' => [['schools' => ['someday' => 'long-still']], 'schools'];
    }

    private static function codec(): PlanCodec
    {
        return self::getContainer()->get(PlanCodec::class);
    }

    /** @return array<string, mixed> */
    private static function first(): array
    {
        return json_decode((string) file_get_contents(__DIR__.'/plans/version-1.json'), true);
    }
}
