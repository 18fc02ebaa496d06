<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Hostile;

use LucidAscent\App\Demo\LoadPeople;
use LucidAscent\App\Demo\MadeUpStudio;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Exchange\AssessAnswer;
use LucidAscent\App\Exchange\Record\InvalidRecord;
use LucidAscent\App\Exchange\Record\KeepRecord;
use LucidAscent\App\Exchange\Record\RecordDocument;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Readiness\Rules;
use LucidAscent\Tests\App\AppTestCase;
use Symfony\Component\Routing\RouterInterface;
use Symfony\Component\Uid\Uuid;

/** A record in which anything may be anything: it is refused whole or in part, and no page breaks on what was kept. */
final class RecordHostileTest extends AppTestCase
{
    private const TIMES = 25;
    private const EDGES = 40;
    private const TOGETHER = 8;
    private const SEED = 991;
    private const JUNK = [null, true, -1, 1e9, 0.5, '', 'x', "\u{202e}", '2026-13-45', [], [[]], ['a' => 1], 'none',
        '99999999-9999-9999-9999-999999999999'];

    private int $teachers = 0;

    public function testNothingInARecordBreaksAPage(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937(self::SEED));
        $record = $this->planned();
        $kept = 0;
        for ($i = 0; $i < self::TIMES; ++$i) {
            $teacher = $this->teacher("hostile$i@studio.example");
            $spoilt = $record;
            for ($j = $random->getInt(1, 6); $j > 0; --$j) {
                $this->spoil($spoilt, $random, 0 === $j % 2 ? ['tests', 'bodies', 'assessments', 'checks', 'seen',
                    'readings', 'plans'][$random->getInt(0, 6)] : null);
            }
            $says = 'seed '.self::SEED.", record $i";
            try {
                self::getContainer()->get(AssessAnswer::class)->of(Fields::of($spoilt));
            } catch (InvalidValue) {
                // It is said, and is no failure.
            }
            $this->em()->clear();
            try {
                $answer = self::getContainer()->get(KeepRecord::class)
                    ->of($spoilt, $this->em()->find(Teacher::class, $teacher->id) ?? throw new \LogicException());
            } catch (InvalidRecord) {
                continue;
            }
            ++$kept;
            $this->em()->clear();
            $this->client->loginUser($this->em()->find(Teacher::class, $teacher->id) ?? throw new \LogicException());
            foreach (['/', "/practitioners/$answer[person]", "/practitioners/$answer[person]/journal",
                "/practitioners/$answer[person]/progress", "/practitioners/$answer[person]/poses/half-lotus",
                "/practitioners/$answer[person]/record.json", "/practitioners/$answer[person]/plans/newest"] as $page) {
                $this->client->request('GET', $page);
                if (str_ends_with($page, 'newest') && str_contains((string) $this->client->getResponse()
                    ->headers->get('Location'), '/plans/0')) {
                    $this->client->followRedirect();
                }
                self::assertContains($this->client->getResponse()->getStatusCode(), [200, 302],
                    "$says, $page: ".json_encode($answer['refused']));
            }
        }
        self::assertGreaterThan(self::TIMES / 3, $kept);
    }

    /** One value at a time, of the kind that it should be: what is let in can be shown, on every page. */
    public function testAnyOneValueAtItsEdgeBreaksNoPage(): void
    {
        $grammar = new Grammar(Grammar::seed());
        $record = $this->planned();
        $changes = [];
        foreach (self::leaves($record) as $way) {
            $of = implode('.', array_filter($way, is_string(...)));
            foreach (self::edges(self::at($record, $way)) as $i => $edge) {
                $changes["$of $i"] ??= [$way, $edge];
            }
        }
        self::assertGreaterThan(300, count($changes));
        $faults = $let = [];
        $drawn = array_slice($grammar->random->shuffleArray($changes), 0, Grammar::isAll() ? null : self::EDGES);
        foreach ($drawn as $change) {
            try {
                $this->keep(self::spoilt($record, [$change]));
                $let[] = $change;
            } catch (InvalidRecord) {
                // It is said, and is no failure.
            } catch (\Throwable $e) {
                $faults[] = self::says([$change]).': '.$e::class.' '.$e->getMessage();
            }
        }
        // Looked at several at a time; where a page breaks, they are refused together, or two are of one place, one by
        // one.
        foreach (array_chunk($let, self::TOGETHER) as $together) {
            $places = array_unique(array_map(static fn (array $change): string => implode('.', $change[0]), $together));
            $isFine = count($places) === count($together) && [] === $this->broken($record, $together);
            foreach ($isFine ? [] : $together as $change) {
                array_push($faults, ...$this->broken($record, [$change]));
            }
        }
        self::assertSame([], $faults);
    }

    /**
     * @param array<string, mixed> $record
     * @param list<array{list<string|int>, mixed}> $changes
     *
     * @return list<string> the pages that break of it
     */
    private function broken(array $record, array $changes): array
    {
        try {
            $answer = $this->keep(self::spoilt($record, $changes));
        } catch (InvalidRecord $e) {
            return [self::says($changes).': '.$e->getMessage()];
        }
        $broken = [];
        foreach ($this->pagesOf((string) $answer['person']) as $page) {
            $this->client->request('GET', $page);
            if ($this->client->getResponse()->getStatusCode() >= 500) {
                $broken[] = self::says($changes).": $page";
            }
        }

        return $broken;
    }

    /**
     * @param array<string, mixed> $record
     * @param list<array{list<string|int>, mixed}> $changes
     *
     * @return array<string, mixed>
     */
    private static function spoilt(array $record, array $changes): array
    {
        foreach ($changes as [$way, $edge]) {
            self::put($record, $way, $edge);
        }

        return $record;
    }

    /** @param list<array{list<string|int>, mixed}> $changes */
    private static function says(array $changes): string
    {
        return implode(', ', array_map(static fn (array $change): string => implode('.', $change[0]).' = '
            .json_encode($change[1]), $changes));
    }

    /** Written by another version, or by hand into the database: it is shown, proves nothing, and can be corrected. */
    public function testWhatIsOnRecordAndCannotBeReadBreaksNoPage(): void
    {
        $practitioner = $this->practitioner($this->teacher());
        $by = $practitioner->teacher;
        $this->client->loginUser($by);
        $entry = Uuid::v7();
        foreach (Side::cases() as $side) {
            $test = new Test(Uuid::v7(), $entry, $practitioner, $by, Test::SOLES_TOGETHER, $side,
                new \DateTimeImmutable('-1 day'), 'tape', 0.0, 0, PainPlace::None, PainKind::Ache, [], Rules::VERSION);
            $test->add(['kneeHeight' => Side::Left === $side ? 300.0 : -5.0, 'heelDistance' => 10.0]);
            $this->em()->persist($test);
        }
        $this->em()->persist(new PracticePlan(Uuid::v7(), $practitioner, $by, new \DateTimeImmutable('-1 day'),
            Rules::VERSION, ['weeks' => 'many', 'sizes' => ['flat' => 1e300]],
            ['weeks' => [['sessions' => [['date' => 'x', 'items' => [['phase' => 'none']]]]]], 'redo' => 7], null, ''));
        $this->em()->flush();
        foreach ($this->pagesOf((string) $practitioner->id) as $page) {
            $this->client->request('GET', $page);
            self::assertLessThan(500, $this->client->getResponse()->getStatusCode(), $page);
        }
        $this->client->request('GET', "/practitioners/$practitioner->id");
        self::assertSelectorTextContains('.timeline', 'Not used: This is not plausible');
        self::assertSelectorExists('.timeline a[href*="soles-together"]');
        $this->client->request('GET', "/practitioners/$practitioner->id/poses/half-lotus");
        self::assertSelectorTextNotContains('main', '300');
    }

    /** @return array<string, mixed> the record of one of the demo's people with a plan */
    private function planned(): array
    {
        $person = self::getContainer()->get(LoadPeople::class)->of($this->teacher(), [MadeUpStudio::people()[4]])[0];
        $this->client->loginUser($person->teacher);
        $this->client->request('GET', "/practitioners/$person->id/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '1']);
        $this->em()->clear();
        $person = $this->em()->createQuery(
            'SELECT p, t FROM '.Practitioner::class.' p JOIN p.teacher t WHERE p.id = :id',
        )->setParameter('id', $person->id, 'uuid')->getSingleResult();

        return json_decode(RecordDocument::json(self::getContainer()->get(RecordDocument::class)->of($person)), true);
    }

    /** @return array<string, mixed> what came of it, to a teacher of its own who is signed in then */
    private function keep(array $record): array
    {
        $teacher = $this->teacher('edge'.++$this->teachers.'@studio.example');
        $this->em()->clear();
        $find = fn (): Teacher => $this->em()->find(Teacher::class, $teacher->id) ?? throw new \LogicException();
        $answer = self::getContainer()->get(KeepRecord::class)->of($record, $find());
        $this->em()->clear();
        $this->client->loginUser($find());

        return $answer;
    }

    /** @return list<string> every page about one person */
    private function pagesOf(string $person): array
    {
        $plan = $this->em()->getConnection()->fetchOne(
            'SELECT id FROM practice_plan WHERE practitioner_id = ? ORDER BY at DESC LIMIT 1',
            [Uuid::fromString($person)->toBinary()],
        );
        $places = ['id' => $person, 'test' => 'soles-together', 'pose' => 'half-lotus', 'posture' => 'half-lotus',
            'side' => 'left', 'week' => '0', 'session' => '0', 'item' => '0'];
        if (false !== $plan) {
            $places['plan'] = (string) Uuid::fromBinary($plan);
        }
        $pages = ['/', "/library?person=$person"];
        foreach (self::getContainer()->get(RouterInterface::class)->getRouteCollection() as $route) {
            $path = (string) preg_replace_callback('/\{(\w+)\}/', static fn (array $m): string => $places[$m[1]] ?? '?',
                $route->getPath());
            if (in_array('GET', $route->getMethods(), true) && str_contains($route->getPath(), '{id}')
                && str_starts_with($path, '/practitioners/') && !str_contains($path, '?')) {
                $pages[] = $path;
            }
        }

        return $pages;
    }

    /** @return list<list<string|int>> the way to each value */
    private static function leaves(mixed $value, array $under = []): array
    {
        $leaves = is_array($value) && [] !== $value ? [] : [$under];
        foreach (is_array($value) ? $value : [] as $name => $one) {
            array_push($leaves, ...self::leaves($one, [...$under, $name]));
        }

        return $leaves;
    }

    private static function at(mixed $in, array $way): mixed
    {
        return [] === $way ? $in : self::at($in[$way[0]], array_slice($way, 1));
    }

    private static function put(mixed &$in, array $way, mixed $value): void
    {
        if ([] === $way) {
            $in = $value;
        } else {
            self::put($in[$way[0]], array_slice($way, 1), $value);
        }
    }

    /** @return list<mixed> what such a value can be at most, and is not */
    private static function edges(mixed $value): array
    {
        return match (true) {
            is_bool($value) => [!$value],
            is_int($value), is_float($value) => [0, -1, 0.001, 251, 300, 3000, 1e9, 1e300],
            null === $value => ['x', 1, true],
            is_array($value) => [['x'], ['x' => 1], [[]]],
            1 === preg_match('/^\d{4}-\d\d-\d\dT/', $value) => ['1000-01-01T00:00:00.000000Z',
                '9999-12-31T23:59:59.999999Z', '2026-13-45T00:00:00.000000Z'],
            1 === preg_match('/^\d{4}-\d\d-\d\d$/', $value) => ['1000-01-01', '9999-12-31', '2026-02-30'],
            default => ['', 'x', "a\0b", "\u{202e}", str_repeat('x', 300), '2026-01-01', 'left', 'lotus'],
        };
    }

    /** One value, anywhere, becomes something else; now and then it goes, or is there twice. */
    private function spoil(mixed &$value, \Random\Randomizer $random, ?string $first): void
    {
        if (!is_array($value) || [] === $value || 0 === $random->getInt(0, 9) && null === $first) {
            $value = self::JUNK[$random->getInt(0, count(self::JUNK) - 1)];

            return;
        }
        $key = $first ?? array_keys($value)[$random->getInt(0, count($value) - 1)];
        if (!isset($value[$key])) {
            return;
        }
        if (0 === $random->getInt(0, 11)) {
            unset($value[$key]);
        } elseif (array_is_list($value) && 0 === $random->getInt(0, 11)) {
            $value[] = $value[$key];
        } else {
            $this->spoil($value[$key], $random, null);
        }
    }
}
