<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Exchange\Record\RecordedPerson;
use LucidAscent\App\Exchange\Record\RecordKinds;
use LucidAscent\App\Json\AllowanceFields;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Text\ReasonText;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\AbilityMargin;
use LucidAscent\Core\Readiness\Asymmetry;
use LucidAscent\Core\Readiness\FindRestriction;
use LucidAscent\Core\Readiness\Gate\GateFinding;
use LucidAscent\Core\Readiness\JointShape;
use LucidAscent\Core\Readiness\PoseReading;
use LucidAscent\Core\Readiness\PropHeights;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Rules;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Route\Keystone;
use LucidAscent\Core\Route\NextReading;
use LucidAscent\Core\Route\Route;
use LucidAscent\Core\Testing\Norms;

/** A whole assessment: which pose is ready, what holds it, what leads there. The page and the command line share it. */
final readonly class AssessAnswer
{
    public function __construct(
        private PersonDocument $person,
        private RecordedPerson $recorded,
        private ReasonText $texts,
    ) {
    }

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidValue when the document has no body, no tests, or no day
     */
    public function of(Fields $document): array
    {
        $read =
            RecordKinds::FORMAT === $document->raw('format')
                ? $this->recorded->read($document)
                : $this->person->read($document);
        [$poses, $wanted, $unread] = [$read->poses, $read->wanted, $read->unread];

        return $this->answer($poses, $wanted) + ['unread' => $unread];
    }

    /**
     * @param list<string> $wanted
     *
     * @return array<string, mixed>
     */
    public function answer(ReadPoses $poses, array $wanted): array
    {
        $routes = array_map(static fn (string $id): Route => Route::to($id, $poses), $wanted);
        $answer = [
            'on' => $poses->person->on->format('Y-m-d'),
            'rules' => Rules::VERSION,
            'poses' => [],
            'restriction' => [],
            'held' => [],
            'route' => [],
        ];
        foreach ($wanted as $id) {
            foreach (Side::cases() as $side) {
                $answer['poses'][$id][$side->value] = $this->pose($poses->of($id, $side), $poses);
            }
        }
        foreach (Side::cases() as $side) {
            $answer['restriction'][$side->value] = FindRestriction::of($poses, $side)->restriction->value;
        }
        foreach ($routes as $route) {
            array_push($answer['held'], ...self::held($route, $poses));
            $answer['route'][$route->wanted] = $route->left;
        }
        $keystone = Keystone::of($routes, $poses);
        $next = NextReading::of($wanted, $poses);

        return [
            ...$answer,
            'poses' => (object) $answer['poses'],
            'route' => (object) $answer['route'],
            'instead' => (object) array_filter(
                array_combine($wanted, array_map(static fn (Route $route): ?string => $route->instead, $routes)),
                is_string(...),
            ),
            'keystone' => null === $keystone
                    ? null
                    : [
                        'component' => $keystone->ability->value,
                        'side' => $keystone->side->value,
                        'opens' => $keystone->opens,
                    ],
            'nextReading' => null === $next ? null : $this->next($next),
            'asymmetry' => array_map($this->reason(...), Asymmetry::reasons($poses->person)),
            'contradictory' => self::contradictory($poses->person),
            'norms' => (object) self::norms($poses, $wanted),
            'shape' => array_map(
                fn (JointShape $shape): array => $this->reason($shape->reason),
                JointShape::all($poses->person),
            ),
        ];
    }

    /** @return array<string, mixed> */
    public function pose(PoseReading $pose, ReadPoses $poses): array
    {
        return [
            'state' => $pose->state()->value,
            'first' => array_map(
                static fn (GateFinding $gate): array => '' === $gate->posture
                    ? ['gate' => $gate->gate]
                    : ['posture' => $gate->posture],
                $pose->first(),
            ),
            'limiter' => $pose->limiter()?->ability->value,
            'chance' => $pose->chance(),
            'seen' => $pose->seenOn()?->format('Y-m-d'),
            'rung' => $pose->onLadder()->rung?->rung->id,
            'props' => self::props($pose, $poses),
            'bars' => array_map($this->reason(...), $pose->onLadder()->bars),
            'passed' => $pose->onLadder()->passed,
            'reasons' => array_map($this->reason(...), $pose->reasons()),
            'margins' => array_map(
                static fn (AbilityMargin $margin): array => [
                    'component' => $margin->ability->value,
                    'state' => $margin->state()->value,
                    'capacity' => $margin->shown,
                    'demand' => $margin->asked,
                    'margin' => null === $margin->shown ? null : $margin->difference(),
                    'error' => null === $margin->shown || !is_finite($margin->error) ? null : $margin->error,
                    'bound' => $margin->capacity?->bound->value,
                    'leg' => $margin->isOtherLeg ? 'other' : 'this',
                ],
                $pose->full()->byWeight(),
            ),
            'shortfallAtKnee' => $pose->shortfallAtKnee(),
        ];
    }

    /** @return array<string, string> a test, a gate to ask, or the rung to try under the teacher's eye */
    private function next(NextReading $next): array
    {
        return match (true) {
            null === $next->test => ['posture' => $next->posture, 'rung' => $next->rung],
            $next->isGate => ['gate' => $next->test->id],
            default => ['test' => $next->test->id],
        } + ['side' => $next->side->value, 'because' => $this->texts->text($next->because)];
    }

    /**
     * @return list<array{what: string, height: float}> the props of the rung now that were reckoned for this body, in
     *     cm
     */
    private static function props(PoseReading $pose, ReadPoses $poses): array
    {
        $rung = $pose->onLadder()->rung;
        $height = null === $rung ? null : PropHeights::of($rung, $poses->person, $pose->side);

        return null === $rung || null === $height ? [] : [['what' => $rung->rung->prop->value, 'height' => $height]];
    }

    /** @return array<string, mixed> */
    private function reason(Reason $reason): array
    {
        return ['code' => $reason->code, 'text' => $this->texts->text($reason), 'source' => $reason->source->value] +
            $reason->numbers;
    }

    /** @return list<array<string, mixed>> what holds a posture of the route, each once a side */
    private static function held(Route $route, ReadPoses $poses): array
    {
        $held = [];
        foreach ($route->all as $id) {
            foreach (Side::cases() as $side) {
                foreach ($poses->of($id, $side)->full()->heldBy as $hold) {
                    $held["$id ".$hold->holds->id.' '.$hold->id()] ??= [
                        'code' => $hold->holds->id,
                        'because' => $hold->holds->name,
                        'posture' => $id,
                        'side' => $hold->side->value ?? 'both',
                        'since' => $hold->entry->on()->format('Y-m-d'),
                        'by' => $hold->id(),
                        'ends' => null === $hold->word ? null : $hold->word->value,
                        'earliest' => $hold->earliest?->format('Y-m-d'),
                        ...null === $hold->holds->allowed
                            ? []
                            : ['allows' => AllowanceFields::write($hold->holds->allowed)],
                    ];
                }
            }
        }

        return array_values($held);
    }

    /** @return list<array<string, mixed>> readings that cannot all be true, with the wider error that was taken */
    private static function contradictory(Snapshot $person): array
    {
        $found = [];
        foreach (Side::cases() as $one) {
            $side = $one->value;
            foreach ($person->capacities($one)->known as $name => $capacity) {
                if ([] !== $capacity->against) {
                    $found[] = [
                        'component' => $name,
                        'side' => $side,
                        'readings' => array_map(
                            static fn ($e): array => ['test' => $e->test, 'value' => $e->value],
                            array_values(array_unique([...$capacity->from, ...$capacity->against], SORT_REGULAR)),
                        ),
                        'error' => $capacity->error,
                        'repeat' => $capacity->doubtful($person->proportions->error($one))?->test,
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
