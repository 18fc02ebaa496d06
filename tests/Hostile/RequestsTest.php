<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Hostile;

use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Tests\App\AppTestCase;
use Symfony\Component\Routing\Route;
use Symfony\Component\Routing\RouterInterface;
use Symfony\Component\Uid\Uuid;

/**
 * Every route that the router has, asked with what is wrong: no error of ours, nothing that was never meant to be
 * shown.
 */
final class RequestsTest extends AppTestCase
{
    private const EACH_PAGE = 12;
    private const EACH_FORM = 14;
    /** What a browser can be made to send, and neither a database nor a page has as a text. */
    private const NO_TEXT = ['a NUL and no UTF-8' => "a\0b\xff", 'a NUL' => "a\0b", 'no UTF-8' => "\xff\xfe"];

    private Practitioner $practitioner;
    private Grammar $grammar;
    /** @var array<string, string> what stands in an address, by its name */
    private array $places;
    /** @var list<string> */
    private array $faults = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->grammar = new Grammar(Grammar::seed());
        $teacher = $this->teacher();
        $this->practitioner = $this->practitioner($teacher);
        $this->client->loginUser($teacher);
        $entry = $this->tested($this->practitioner, 12.0, 16.0);
        $check = new RungCheck(Uuid::v7(), $this->practitioner, $teacher, 'half-lotus', Side::Left, 'lying-half-lotus',
            new \DateTimeImmutable('today'), new \DateTimeImmutable(), null, true, true, 0, PainPlace::None,
            PainKind::Ache, [], false, '');
        $this->em()->persist($check);
        $this->em()->flush();
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}/plans/new");
        $this->client->submitForm('Make plan', ['plan[weeks]' => '2']);
        $plan = $this->em()->getRepository(PracticePlan::class)->findAll()[0];
        $this->client->request('GET', "/practitioners/{$this->practitioner->id}/assessments/new");
        $this->client->submitForm('Show the tests',
            ['before[consent]' => '1', 'before[pain][level]' => '0', 'before[warm]' => '1']);
        preg_match('#assessments/([0-9a-f-]{36})#', (string) $this->client->getResponse()->headers->get('Location'),
            $m);
        $this->places = [
            'id' => (string) $this->practitioner->id, 'plan' => (string) $plan->id, 'check' => (string) $check->id,
            'entry' => (string) $entry, 'assessment' => $m[1] ?? '',
            'test' => 'soles-together', 'posture' => 'half-lotus', 'pose' => 'half-lotus', 'side' => 'left',
            'week' => '0', 'session' => '0', 'kind' => 'posture', 'name' => 'half-lotus',
            'place' => 'soles-together', 'picture' => (string) Uuid::v7(), 'secret' => str_repeat('0a', 24),
        ];
    }

    public function testEveryPageWithWhatIsWrongInItsAddress(): void
    {
        $asked = 0;
        $routes = $this->routes('GET');
        foreach ($routes as $name => $route) {
            for ($i = 0; $i < Grammar::count(self::EACH_PAGE, count($routes)); ++$i) {
                $path = $this->path($route, 0 === $i ? 0 : 40);
                $query = [];
                foreach (['side', 'posture', 'v', 'if', 'wanted', 'from', 'to', 'q', 'condition', 'for', 'family',
                    'people', 'after', 'rung', 'assessment', 'back'] as $one) {
                    if ($i > 0 && $this->grammar->chance(25)) {
                        $query[$one] = $this->grammar->value(2);
                    }
                }
                $this->client->request('GET', $path, $query);
                $this->isNoFaultOfOurs("$name $path ".json_encode($query, JSON_PARTIAL_OUTPUT_ON_ERROR));
                ++$asked;
            }
        }
        self::assertGreaterThan(400, $asked);
        self::assertSame([], $this->faults);
    }

    public function testEveryParameterThatIsNoText(): void
    {
        $names = self::parameters();
        self::assertGreaterThan(15, count($names));
        $asked = 0;
        foreach ($this->routes('GET') as $route) {
            foreach (self::noText() as $how => $value) {
                // All of them at once; one by one where there is time.
                $queries = [array_fill_keys($names, $value), array_fill_keys($names, ['x' => $value])];
                foreach (Grammar::isAll() ? $names : [] as $one) {
                    $queries[] = [$one => $value];
                }
                foreach ($queries as $query) {
                    $this->client->request('GET', $path = $this->path($route, 0), $query);
                    $this->isNoFaultOfOurs("$path $how ".implode(' ', array_keys($query)));
                    ++$asked;
                }
                $places = array_fill_keys(array_keys($this->places), $value);
                $path = strtr($route->getPath(), array_combine(
                    array_map(static fn (string $place): string => '{'.$place.'}', array_keys($places)),
                    array_map(rawurlencode(...), $places),
                ));
                $this->client->request('GET', $path);
                $this->isNoFaultOfOurs("$path $how");
            }
        }
        self::assertGreaterThan(100, $asked);
        self::assertSame([], $this->faults);
    }

    /** @return array<string, string> all faults in one text; each by itself where there is time */
    private static function noText(): array
    {
        return Grammar::isAll() ? self::NO_TEXT : array_slice(self::NO_TEXT, 0, 1);
    }

    /** @return list<string> every parameter that the application asks an address for, as its own code names them */
    private static function parameters(): array
    {
        $names = ['q', '_locale', 'page'];
        $files = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator(dirname(__DIR__, 2).'/src'));
        foreach ($files as $file) {
            preg_match_all("/query->\\w+\\(\\s*'(\\w+)'/", (string) @file_get_contents((string) $file), $found);
            array_push($names, ...$found[1]);
        }

        return array_values(array_unique($names));
    }

    public function testEveryFormWithEachFieldWrong(): void
    {
        $sent = 0;
        $many = count($this->routes('POST'));
        foreach ($this->forms() as $name => [$address, $whole]) {
            for ($i = 0; $i < Grammar::count(self::EACH_FORM, $many); ++$i) {
                $body = $this->grammar->broken($whole);
                // The token of the page as it was: what is wrong is the rest, most of the time.
                if (isset($whole['_token']) && $this->grammar->chance(90)) {
                    $body['_token'] = $whole['_token'];
                }
                foreach ($whole as $form => $fields) {
                    if (is_array($fields) && isset($fields['_token']) && is_array($body[$form] ?? null)
                        && $this->grammar->chance(90)) {
                        $body[$form]['_token'] = $fields['_token'];
                    }
                }
                $this->client->request('POST', $address, self::asSent($body));
                $this->isNoFaultOfOurs("$name $address ".json_encode($body, JSON_PARTIAL_OUTPUT_ON_ERROR));
                ++$sent;
            }
        }
        self::assertGreaterThan(250, $sent);
        self::assertSame([], $this->faults);
    }

    public function testEachFieldOfEveryFormMissingEmptyWrongAndDoubled(): void
    {
        $sent = 0;
        foreach ($this->forms() as $name => [$address, $whole]) {
            foreach (self::leaves($whole) as $leaf) {
                foreach (['missing' => null, 'empty' => '', 'wrong' => 'x', 'doubled' => ['1', 'x']]
                    + self::noText() as $how => $value) {
                    $this->client->request('POST', $address, self::with($whole, $leaf, $value));
                    $this->isNoFaultOfOurs("$name ".implode('.', $leaf)." $how");
                    $status = $this->client->getResponse()->getStatusCode();
                    if (422 === $status && !str_contains((string) $this->client->getResponse()->getContent(),
                        'class="fault"')) {
                        $this->faults[] = "$name ".implode('.', $leaf)." $how: refused, and the page does not say why.";
                    }
                    ++$sent;
                }
            }
        }
        self::assertGreaterThan(400, $sent);
        self::assertSame([], $this->faults);
    }

    /**
     * @param array<mixed> $fields
     * @param list<string> $under
     *
     * @return list<list<string>> the way to each field
     */
    private static function leaves(array $fields, array $under = []): array
    {
        $leaves = [];
        foreach ($fields as $name => $value) {
            $way = [...$under, (string) $name];
            array_push($leaves, ...(is_array($value) && [] !== $value ? self::leaves($value, $way) : [$way]));
        }

        return $leaves;
    }

    /**
     * @param array<mixed> $fields
     * @param list<string> $way
     * @param string|list<string>|null $value null takes it out
     *
     * @return array<mixed>
     */
    private static function with(array $fields, array $way, string|array|null $value): array
    {
        $name = array_shift($way);
        if ([] !== $way) {
            $fields[$name] = self::with($fields[$name], $way, $value);
        } elseif (null === $value) {
            unset($fields[$name]);
        } else {
            $fields[$name] = $value;
        }

        return $fields;
    }

    public function testEveryScriptWithAnotherBody(): void
    {
        $log = ['id' => (string) Uuid::v7(), 'on' => (new \DateTimeImmutable())->format('Y-m-d'),
            'items' => [['posture' => 'half-lotus', 'rung' => 'seat', 'side' => 'left', 'holdReached' => true,
                'evenBreath' => true, 'compensations' => [], 'pain' => ['level' => 0], 'propsUsed' => true]],
            'pains' => [],
            'before' => 3.0, 'after' => 2.0, 'soreAtNight' => false, 'note' => ''];
        $bodies = [
            'session_log' => ['session', $log],
            'lab_answer' => ['lab', ['posture' => 'half-lotus',
                'values' => ['kneeHeight' => 14, 'seat' => 0, 'pelvicTilt' => 0], 'blanket' => 3]],
            'landmarks' => ['bench', ['points' => array_fill_keys(['hip', 'knee', 'ankle', 'floorA', 'floorB', 'knownA',
                'knownB'], ['x' => 10, 'y' => 20]), 'known' => 30, 'longerEdge' => 720]],
            'draft' => ['draft', ['version' => 0, 'content' => ['a' => '1']]],
        ];
        // Asked for while nothing hurts yet: what is sent below holds whole sides.
        $tokens = array_map(fn (array $one): string => $this->token($one[0]), $bodies);
        foreach ($bodies as $name => [, $whole]) {
            $route = self::getContainer()->get(RouterInterface::class)->getRouteCollection()->get($name);
            self::assertNotNull($route);
            $address = $this->path($route, 0);
            $token = $tokens[$name];
            for ($i = 0; $i < Grammar::count(40, count($bodies)); ++$i) {
                $content = $this->grammar->chance(85)
                    ? (string) json_encode($this->grammar->broken($whole),
                        JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE)
                    : $this->grammar->one(['', '{', 'null', '[]', '"', "\0", str_repeat('[', 600),
                        '{"points":{"hip":{"x":1e999}}}', '{"a":"\ud800"}', $this->grammar->text()]);
                $this->client->request('draft' === $name ? 'PUT' : 'POST', $address,
                    server: ['CONTENT_TYPE' => 'application/json', 'HTTP_X_TOKEN' => $token], content: $content);
                $this->isNoFaultOfOurs("$name $content");
            }
        }
        self::assertSame([], $this->faults);
    }

    /** @return iterable<string, array{string, array<mixed>}> the address and the fields of each form, by its route */
    private function forms(): iterable
    {
        foreach ($this->routes('POST') as $name => $route) {
            if (!in_array($name, ['sign_out', 'sign_in'], true)) {
                $address = $this->path($route, 0);
                yield $name => [$address, $this->form($address)];
            }
        }
    }

    /** @return array<string, Route> by name */
    private function routes(string $method): array
    {
        return array_filter(
            self::getContainer()->get(RouterInterface::class)->getRouteCollection()->all(),
            static fn (Route $route, string $name): bool => !str_starts_with($name, '_')
                && in_array($method, $route->getMethods(), true) && 'inclinometer_live' !== $name,
            ARRAY_FILTER_USE_BOTH,
        );
    }

    /** @param int $wrong percent of the places in it that are something else */
    private function path(Route $route, int $wrong): string
    {
        return (string) preg_replace_callback('/\{(\w+)\}/', function (array $m) use ($wrong): string {
            $text = $this->grammar->chance($wrong) ? $this->grammar->text() : ($this->places[$m[1]] ?? 'x');

            return rawurlencode(mb_strcut('' === $text ? '0' : $text, 0, 300));
        }, $route->getPath());
    }

    /**
     * The form that its page has at an address; some fields by name where there is none.
     *
     * @return array<mixed>
     */
    private function form(string $address): array
    {
        $pages = [$address, (string) preg_replace('#/(change|again)$#', '', $address),
            "/practitioners/{$this->places['id']}",
            "/practitioners/{$this->places['id']}/plans/{$this->places['plan']}"];
        foreach ($pages as $page) {
            $crawler = $this->client->request('GET', $page);
            $found = $crawler->filter('main form')->reduce(static fn ($form): bool => in_array($form->attr('action')
                ?? '', ['', $address], true) || str_ends_with((string) $form->attr('action'), $address));
            if (200 === $this->client->getResponse()->getStatusCode() && count($found) > 0) {
                return $found->first()->form()->getPhpValues() + ['why' => 'x', 'do' => 'open', 'week' => '0',
                    'session' => '0', 'item' => '0', 'change' => 'harder', 'names' => 'x'];
            }
        }

        return ['_token' => 'x', 'why' => 'x', 'values' => ['kneeHeight' => '14'], 'posture' => 'half-lotus',
            'entry' => 'x'];
    }

    private function token(string $name): string
    {
        $page = match ($name) {
            'lab' => ["/practitioners/{$this->places['id']}/lab", 'form.lab', 'data-token'],
            'session' => null,
            default => ["/practitioners/{$this->places['id']}/tests/soles-together", 'form[data-bench]', 'data-token'],
        };
        if (null === $page) {
            $this->client->request('GET', '/session-token');

            return json_decode((string) $this->client->getResponse()->getContent(), true)['token'];
        }

        return (string) $this->client->request('GET', $page[0])->filter($page[1])->attr($page[2]);
    }

    /**
     * What a browser can send: texts, and lists of them.
     *
     * @param array<mixed> $body
     *
     * @return array<mixed>
     */
    private static function asSent(array $body): array
    {
        return array_map(static fn (mixed $value): array|string => is_array($value) ? self::asSent($value)
            : (is_scalar($value) ? (string) $value : ''), $body);
    }

    private function isNoFaultOfOurs(string $what): void
    {
        $response = $this->client->getResponse();
        $what = "seed {$this->grammar->seed}: ".mb_strcut($what, 0, 1500);
        if ($response->getStatusCode() >= 500 || 1
            === preg_match('~Stack trace|Uncaught|/vendor/|Warning: |Deprecated: ~',
                (string) $response->getContent())) {
            $this->faults[] = $response->getStatusCode().' '.$what;
        }
    }
}
