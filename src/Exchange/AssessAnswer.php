<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Twig\ReasonExtension;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\StopSign;
use LucidAscent\Core\Readiness\AbilityMargin;
use LucidAscent\Core\Readiness\Asymmetry;
use LucidAscent\Core\Readiness\FindRestriction;
use LucidAscent\Core\Readiness\KnownPerson;
use LucidAscent\Core\Readiness\PoseReading;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Rules;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Route\Keystone;
use LucidAscent\Core\Route\NextReading;
use LucidAscent\Core\Route\Route;
use LucidAscent\Core\Testing\Capacities;
use LucidAscent\Core\Testing\Norms;
use LucidAscent\Core\Testing\TakenTest;
use Psr\Clock\ClockInterface;

/** A whole assessment: which pose is ready, what holds it, what leads there. The page and the command line share it. */
final readonly class AssessAnswer
{
    public function __construct(private Catalogue $catalogue, private ReasonExtension $texts, private ClockInterface $clock)
    {
    }

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidValue when the document has no body, no tests, or no day
     */
    public function of(Fields $document): array
    {
        [$poses, $wanted, $unread] = $this->read($document);

        return $this->answer($poses, $wanted) + ['unread' => $unread];
    }

    /**
     * @return array{ReadPoses, list<string>, list<array<string, string>>} the person, the wanted poses that there are, and what could not be read
     *
     * @throws InvalidValue when the document has no body, no tests, or no day
     */
    public function read(Fields $document): array
    {
        $on = $document->has('on') ? Day::of('on', $document->text('on')) : $this->clock->now()->setTime(0, 0);
        $proportions = PersonBody::of($document->object('body'));
        $tests = TestList::of($document->list('tests'), $proportions, $this->catalogue->tests(), $on);
        $capacities = [];
        foreach (Side::cases() as $side) {
            $capacities[$side->value] = Capacities::of($tests->evidence[$side->value], $proportions->error($side));
        }
        [$conditions, $unknownConditions] = $this->conditions($document);
        $taken = array_column($tests->taken, 1);
        usort($taken, static fn (TakenTest $a, TakenTest $b): int => $b->on <=> $a->on);
        $person = new KnownPerson(
            $proportions,
            ['left' => $capacities['left'], 'right' => $capacities['right']],
            ['left' => [...$conditions, ...$this->signs($taken, Side::Left)], 'right' => [...$conditions, ...$this->signs($taken, Side::Right)]],
            $taken,
            $on,
        );
        $wanted = self::ids($document, 'wanted');
        $known = array_values(array_filter($wanted, fn (string $id): bool => isset($this->catalogue->postures()[$id])));
        $unread = $tests->unread;
        foreach (array_diff($wanted, $known) as $id) {
            $unread[] = ['wanted' => $id, 'code' => 'unknown-pose', 'because' => sprintf('There is no pose "%s".', $id)];
        }
        foreach ($unknownConditions as $id) {
            $unread[] = ['condition' => $id, 'code' => 'unknown-condition', 'because' => sprintf('No caution knows the condition "%s".', $id)];
        }
        if ($document->has('school') && !isset($this->catalogue->all(Kind::School)[$document->text('school')])) {
            $unread[] = ['school' => $document->text('school'), 'code' => 'unknown-school', 'because' => sprintf('There is no school "%s".', $document->text('school'))];
        }

        return [new ReadPoses($this->catalogue->postures(), $person), $known, $unread];
    }

    /**
     * @param list<string> $wanted
     *
     * @return array<string, mixed>
     */
    public function answer(ReadPoses $poses, array $wanted): array
    {
        $routes = array_map(static fn (string $id): Route => Route::to($id, $poses), $wanted);
        $answer = ['on' => $poses->person->on->format('Y-m-d'), 'rules' => Rules::VERSION, 'poses' => [], 'restriction' => [], 'held' => [], 'route' => []];
        foreach ($wanted as $id) {
            foreach (Side::cases() as $side) {
                $answer['poses'][$id][$side->value] = $this->pose($poses->of($id, $side));
            }
        }
        foreach (Side::cases() as $side) {
            $answer['restriction'][$side->value] = FindRestriction::of($poses->person, $side)->restriction->value;
        }
        foreach ($routes as $route) {
            array_push($answer['held'], ...$this->held($route, $poses));
            $answer['route'][$route->wanted] = $route->left;
        }
        $keystone = Keystone::of($routes, $poses);
        $next = NextReading::of($wanted, $poses, $this->catalogue->tests());

        return [
            ...$answer,
            'poses' => (object) $answer['poses'],
            'route' => (object) $answer['route'],
            'instead' => (object) array_filter(array_combine($wanted, array_map(static fn (Route $route): ?string => $route->instead, $routes)), is_string(...)),
            'keystone' => null === $keystone ? null : ['component' => $keystone->ability->value, 'side' => $keystone->side->value, 'opens' => $keystone->opens],
            'nextReading' => null === $next ? null : ['test' => $next->test->id, 'side' => $next->side->value, 'because' => $this->texts->text($next->because)],
            'asymmetry' => array_map($this->reason(...), Asymmetry::reasons($poses->person)),
            'contradictory' => self::contradictory($poses->person),
            'norms' => (object) self::norms($poses, $wanted),
        ];
    }

    /** @return array<string, mixed> */
    public function pose(PoseReading $pose): array
    {
        return [
            'state' => $pose->state()->value,
            'limiter' => $pose->limiter()?->ability->value,
            'chance' => $pose->chance(),
            'rung' => $pose->rung()?->rung->id,
            'reasons' => array_map($this->reason(...), $pose->reasons()),
            'margins' => array_map(static fn (AbilityMargin $margin): array => [
                'component' => $margin->ability->value,
                'state' => $margin->state()->value,
                'capacity' => $margin->shown,
                'demand' => $margin->asked,
                'margin' => null === $margin->shown ? null : $margin->difference(),
                'error' => is_finite($margin->error) ? $margin->error : null,
            ], $pose->full()->byWeight()),
            'shortfallAtKnee' => $pose->shortfallAtKnee(),
        ];
    }

    /** @return array<string, mixed> */
    private function reason(Reason $reason): array
    {
        return ['code' => $reason->code, 'text' => $this->texts->text($reason), 'source' => $reason->source->value] + $reason->numbers;
    }

    /** @return list<array{code: string, because: string, posture: string}> */
    private function held(Route $route, ReadPoses $poses): array
    {
        $held = [];
        foreach ($route->all as $id) {
            foreach (Side::cases() as $side) {
                foreach ($poses->of($id, $side)->full()->heldBy as $condition) {
                    $held["$id $condition->id"] ??= ['code' => $condition->id, 'because' => $condition->name, 'posture' => $id];
                }
            }
        }

        return array_values($held);
    }

    /**
     * What is no id stands for itself, so that it can be named among what nobody knows.
     *
     * @return list<string>
     *
     * @throws InvalidValue when it is there, and no list
     */
    private static function ids(Fields $document, string $name): array
    {
        $ids = [];
        foreach ($document->has($name) ? $document->list($name) : [] as $one) {
            $ids[] = match (true) {
                is_string($one) => $one,
                is_array($one) && is_string($one['id'] ?? null) => $one['id'],
                default => (string) json_encode($one),
            };
        }

        return array_values(array_unique($ids));
    }

    /** @return array{list<Condition>, list<string>} those that a caution knows, and the ids of the others */
    private function conditions(Fields $document): array
    {
        $known = $this->catalogue->conditions();
        $asked = self::ids($document, 'conditions');

        return [
            $this->catalogue->named($asked),
            array_values(array_diff($asked, array_keys($known))),
        ];
    }

    /**
     * Stop signs met in the tests of one side.
     *
     * @param list<TakenTest> $taken
     *
     * @return list<Condition>
     */
    private function signs(array $taken, Side $side): array
    {
        return $this->catalogue->named(array_map(static fn (TakenTest $test): ?string => $test->side === $side ? StopSign::of($test->pain) : null, $taken));
    }

    /** @return list<array<string, mixed>> readings that cannot all be true, with the wider error that was taken */
    private static function contradictory(KnownPerson $person): array
    {
        $found = [];
        foreach ($person->capacities as $side => $capacities) {
            foreach ($capacities->known as $name => $capacity) {
                if ([] !== $capacity->against) {
                    $found[] = [
                        'component' => $name,
                        'side' => $side,
                        'readings' => array_map(static fn ($e): array => ['test' => $e->test, 'value' => $e->value], array_values(array_unique([...$capacity->from, ...$capacity->against], SORT_REGULAR))),
                        'error' => $capacity->error,
                    ];
                }
            }
        }

        return $found;
    }

    /**
     * @param list<string> $wanted
     *
     * @return array<string, list<array<string, mixed>>> for context only, by component
     */
    private static function norms(ReadPoses $poses, array $wanted): array
    {
        $norms = [];
        foreach ($wanted as $id) {
            foreach ($poses->postures[$id]->abilities as $ability) {
                if ([] !== Norms::of($ability)) {
                    $norms[$ability->value] = Norms::of($ability);
                }
            }
        }

        return $norms;
    }
}
