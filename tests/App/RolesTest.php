<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Demo\LoadPeople;
use LucidAscent\App\Demo\MadeUpStudio;
use LucidAscent\App\Entity\AnswerGiven;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\Draft;
use LucidAscent\App\Entity\Mistake;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\Role;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\App\Security\OnlyWhatIsOpen;
use LucidAscent\App\Security\Right;
use LucidAscent\App\Security\RouteRights;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Readiness\Rules;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\DomCrawler\Crawler;
use Symfony\Component\Routing\Route;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;
use Symfony\Component\Uid\Uuid;

/** What each member of a studio may open and do: route by route, and link by link. */
final class RolesTest extends AppTestCase
{
    /** Stands in every text about somebody's health that is in anybody's own words. */
    private const WORDS = 'in words of their own';
    /** Pages of one kind offer the same: so many of each are opened. */
    private const OF_A_KIND = 4;

    private Practitioner $person;

    public function testEveryRouteAsksForSomething(): void
    {
        foreach (array_keys(self::getContainer()->get('router')->getRouteCollection()->all()) as $route) {
            self::assertNotNull(RouteRights::of((string) $route), "$route is open to nobody.");
        }
    }

    /** What is expected is written here once more, by what the pages are called. */
    #[DataProvider('roles')]
    public function testEveryRouteIsOpenToWhomItShouldBe(Role $role): void
    {
        $this->person = $this->practitioner($this->teacher());
        $member = $this->member($role);
        $this->client->loginUser($member);
        $this->client->catchExceptions(false);
        foreach ($this->addresses() as $name => [$method, $address]) {
            $refused = false;
            try {
                $this->client->request($method, $address);
            } catch (AccessDeniedException $e) {
                $refused = str_starts_with($e->getMessage(), OnlyWhatIsOpen::REFUSED);
            } catch (\Throwable) {
                // Nothing like that is there, or the form carries no token: it was open as far as that.
            }
            if ('sign_out' === $name) {
                $this->client->loginUser($member);
            }
            self::assertSame(!self::isOpen($name, $role), $refused, "$method $address ($name)");
        }
    }

    /** @return iterable<string, array{Role}> */
    public static function roles(): iterable
    {
        foreach (Role::given() as $role) {
            yield $role->value => [$role];
        }
    }

    public function testWhoHasLeftOrNeverCameOpensNothing(): void
    {
        $this->person = $this->practitioner($this->teacher());
        $gone = $this->member(Role::Left);
        foreach ([null, $gone] as $who) {
            null === $who ?: $this->loginAnew($who);
            foreach ($this->addresses() as $name => [$method, $address]) {
                if (Right::Public !== RouteRights::of($name)) {
                    $this->client->request($method, $address);
                    self::assertContains($this->client->getResponse()->getStatusCode(), [302, 403], $address);
                    self::assertStringNotContainsString('A Person',
                        (string) $this->client->getResponse()->getContent());
                }
            }
        }
    }

    public function testAnotherStudioHasNobodyOfThisOne(): void
    {
        $this->person = $this->practitioner($this->teacher());
        $this->client->loginUser($this->teacher('elsewhere@studio.example'));
        foreach ($this->addresses() as [$method, $address]) {
            $this->client->request($method, $address);
            if (str_contains($address, (string) $this->person->id)) {
                self::assertContains($this->client->getResponse()->getStatusCode(), [302, 403, 404], $address);
            }
            self::assertStringNotContainsString('A Person', (string) $this->client->getResponse()->getContent());
        }
    }

    public function testAPractitionersDeviceOpensItsOwnPageAlone(): void
    {
        $this->person = $this->practitioner($this->teacher());
        $this->client->loginUser($this->person->teacher);
        $this->client->request('GET', "/practitioners/{$this->person->id}/own");
        $this->client->submit($this->client->getCrawler()->filter('input[value="open"]')->closest('form')?->form()
            ?? throw new \LogicException());
        $words = $this->client->getCrawler()->filter('.own-words')->text();
        $this->client->getCookieJar()->clear();
        $this->client->request('GET', '/own');
        $this->client->submitForm('Open', ['words' => $words, 'pin' => '246810', 'again' => '246810']);
        $this->client->request('GET', '/own');
        self::assertSelectorTextContains('h1', 'A Person');
        $cookies = clone $this->client->getCookieJar();
        foreach ($this->addresses() as $name => [$method, $address]) {
            if (Right::Public === RouteRights::of($name)) {
                continue;
            }
            foreach ($cookies->all() as $cookie) {
                $this->client->getCookieJar()->set($cookie);
            }
            $this->client->request($method, $address);
            self::assertContains($this->client->getResponse()->getStatusCode(), [302, 403], $address);
            self::assertStringNotContainsString('A Person', (string) $this->client->getResponse()->getContent());
        }
    }

    #[DataProvider('rolesThatSeeLess')]
    public function testNothingIsOfferedThatIsNotOpen(Role $role, bool $isTold): void
    {
        $this->rich();
        $member = $this->member($role);
        $this->client->loginUser($member);
        $router = self::getContainer()->get('router');
        $ahead = ['/', '/search?q=a', '/search?q=e', '/search?q=s'];
        $seen = $kinds = $offered = $told = [];
        while (null !== ($address = array_shift($ahead))) {
            $router->getContext()->setMethod('GET');
            $kind = $router->match((string) parse_url($address, PHP_URL_PATH))['_route'];
            $kinds[$kind] = ($kinds[$kind] ?? 0) + 1;
            if (isset($seen[$address]) || $kinds[$kind] > self::OF_A_KIND) {
                continue;
            }
            $seen[$address] = true;
            $page = $this->client->request('GET', $address);
            $response = $this->client->getResponse();
            self::assertLessThan(400, $response->getStatusCode(), $address);
            if (str_contains((string) $response->getContent(), self::WORDS)) {
                $told[] = $address;
            }
            foreach ($this->leads($page) as [$method, $to]) {
                $router->getContext()->setMethod($method);
                $route = $router->match((string) parse_url($to, PHP_URL_PATH))['_route'];
                if (!self::isOpen($route, $role)) {
                    $offered["$kind to $route"] = true;
                } elseif ('GET' === $method) {
                    $ahead[] = (string) strtok($to, '#');
                }
            }
        }
        self::assertSame([], array_keys($offered));
        self::assertGreaterThan(12, count($seen));
        self::assertSame($isTold, [] !== $told, implode(' ', $told));
    }

    /** @return iterable<string, array{Role, bool}> */
    public static function rolesThatSeeLess(): iterable
    {
        yield 'assistant' => [Role::Assistant, false];
        yield 'reader' => [Role::Reader, true];
        // Were nobody told, it would say nothing that an assistant is not.
        yield 'teacher' => [Role::Teacher, true];
    }

    private static function isOpen(string $route, Role $role): bool
    {
        $measure = '/^(assessment$|assessment_end|body$|bench$|bench_preview|picture|rung_picture|landmarks|inclinometer|screen|session|waiting_logs'.
            '|draft|elsewhere|day_after)/';
        $see = '/^(practitioner|pose|route|why|ladder|plan|plan_newest|plan_item|progress|compare)$/';
        $any = '/^(sign_|account|browser_end|password_again|second_factor|on_the_mat|search|guide(?!_try)|library'.
            '|recording_sheets|health_|metrics$|join|feed$|own$|own_(week|session|hurts|after|elsewhere|log|measure|words|ask|question'.
            '|picture$|picture_(?!keep)|who|sharing|consent|token|worker|shell|open|pin|shut|language))/';

        return match ($role) {
            Role::Owner => true,
            Role::Teacher => !str_starts_with($route, 'studio'),
            Role::Assistant => 1 === preg_match($any, $route) || 1 === preg_match($see, $route)
                || 1 === preg_match($measure, $route),
            Role::Reader => 1 === preg_match($any, $route) || 1 === preg_match($see, $route)
                || in_array($route, ['journal', 'report', 'plan_print'], true),
            Role::Left => false,
        };
    }

    /** @return iterable<array{string, string}> where a page leads, and where its forms go, and how */
    private function leads(Crawler $page): iterable
    {
        foreach ($page->filter('a[href^="/"]')->extract(['href']) as $href) {
            yield ['GET', $href];
        }
        foreach ($page->filter('form') as $form) {
            assert($form instanceof \DOMElement);
            $method = strtoupper($form->getAttribute('method') ?: 'GET');
            // A form without an address is its page's own, or is sent by a script.
            if ('' !== $form->getAttribute('action')) {
                yield [$method, $form->getAttribute('action')];
            }
        }
    }

    private function member(Role $role): Teacher
    {
        $owner = $this->em()->find(Teacher::class, $this->person->teacher->id) ?? throw new \LogicException();
        if (Role::Owner === $role) {
            return $owner;
        }
        $member = $this->teacher("$role->value-of@studio.example", $owner->studio(), $role, 'A Member');
        $person = $this->em()->find(Practitioner::class, $this->person->id) ?? throw new \LogicException();
        $this->shared($person, $member, new \DateTimeImmutable('+30 days'));

        return $member;
    }

    /** Somebody of whom there is something of everything, with words wherever there can be some. */
    private function rich(): void
    {
        $people = self::getContainer()->get(LoadPeople::class)->of($this->teacher(), [MadeUpStudio::people()[0]]);
        $p = $this->person = $people[0];
        $by = $p->teacher;
        $at = new \DateTimeImmutable('-1 hour');
        $day = new \DateTimeImmutable('today');
        $plan = self::getContainer()->get(PlanRecords::class)->newestPlan($p) ?? throw new \LogicException();
        $check = new RungCheck(Uuid::v7(), $p, $by, 'half-lotus', Side::Left, 'mid-thigh-on-block', $day, $at, null,
            true, true, 0, PainPlace::None, PainKind::Ache, [], false, self::WORDS);
        $test = new Test(Uuid::v7(), Uuid::v7(), $p, $by, Test::SOLES_TOGETHER, Side::Left, $at, 'tape', 0.0, 0,
            PainPlace::None, PainKind::Ache, [], Rules::VERSION, note: self::WORDS);
        $test->add(['kneeHeight' => 12.0, 'heelDistance' => 20.0]);
        $word = new PractitionerNote(Uuid::v7(), $p, $at, $day, PractitionerNote::WORDS, self::WORDS);
        foreach ([
            new PracticePlan(Uuid::v7(), $p, $by, $at, $plan->rules, $plan->request, $plan->plan, $plan->id,
                'easier '.self::WORDS),
            $check,
            new Decision(Uuid::v7(), $check, $p, $by, 'half-lotus', Side::Left, $at, Step::Stay, Step::StepBack, [], [],
                'mid-thigh-on-block', self::WORDS, Rules::VERSION),
            $test,
            $word,
            new AnswerGiven(Uuid::v7(), $p, $by, $at, $word->id, self::WORDS, '', '', null),
            new PractitionerNote(Uuid::v7(), $p, $at, $day, PractitionerNote::OF_TEACHER, self::WORDS),
            new Clearance(Uuid::v7(), $p, $by, $at, self::WORDS, ClearanceAuthority::Clinician, $day, '', true, [],
                self::WORDS),
            new Mistake(Uuid::v7(), $p, $by, $at, 'nothing', self::WORDS),
            new SessionLog(Uuid::v7(), $p, $by, $plan, $day, $at, [], null, null, self::WORDS),
            new SeenRung(Uuid::v7(), $p, $by, $at, 'half-lotus', 'mid-thigh-on-block', Side::Left, true, [], false,
                self::WORDS, 0, PainPlace::None, PainKind::Ache),
            new Assessment(Uuid::v7(), $p, $by, $at, false, [], [], [], self::WORDS, false, 0, PainPlace::None,
                PainKind::Ache),
            new Draft(Uuid::v7(), $p, $by, Test::SOLES_TOGETHER, ['note' => self::WORDS], $at),
        ] as $record) {
            $this->em()->persist($record);
        }
        $this->em()->flush();
    }

    /** @return iterable<string, array{string, string}> every route, as it may be asked for, by its name */
    private function addresses(): iterable
    {
        $router = self::getContainer()->get('router');
        $known = ['id' => (string) $this->person->id, 'test' => 'soles-together', 'posture' => 'half-lotus',
            'rung' => 'mid-thigh-on-block', 'side' => 'left', 'pose' => 'lotus', 'week' => '1', 'session' => '1',
            'item' => '0', 'format' => 'json', 'kind' => 'posture', 'name' => 'my-lotus', 'direction' => 'undo',
            'page' => 'body', 'place' => 'bench', 'secret' => str_repeat('0', 48)];
        foreach ($router->getRouteCollection()->all() as $name => $route) {
            assert($route instanceof Route);
            $values = [];
            foreach ($route->compile()->getPathVariables() as $variable) {
                $values[$variable] = $known[$variable] ?? (string) Uuid::v7();
            }
            // What streams is asked for without an end.
            foreach ('inclinometer_live' === $name ? [] : $route->getMethods() as $method) {
                yield (string) $name => [$method, $router->generate((string) $name, $values)];
            }
        }
    }
}
