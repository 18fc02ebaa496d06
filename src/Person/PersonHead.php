<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\App\Repository\Records;
use LucidAscent\App\Security\RouteVoter;
use LucidAscent\Core\Caution\Hold;
use Symfony\Component\Security\Core\Authorization\AuthorizationCheckerInterface;

/** What stands above each page about a person: what is on hold, and where the places of that person lead. */
final readonly class PersonHead
{
    /** The places of a person, and which pages belong to each, by the names of their routes. */
    private const PLACES = [
        'place.readiness' => ['practitioner', 'pose', 'why', 'route', 'clearance', 'came_in'],
        'place.measure' => ['assessment_new', 'assessment', 'bench', 'bench_correct', 'body', 'lab'],
        'place.ladder' => ['ladder', 'walk', 'check', 'decision', 'referral', 'ways', 'way_tried', 'rung_picture'],
        'place.plan' => ['plan', 'plan_new', 'plan_item', 'session'],
        'place.progress' => ['progress', 'compare'],
        'place.history' => ['journal', 'day_after', 'questions', 'elsewhere'],
        'place.share' => ['hand_over', 'own_key', 'table_read', 'who_saw', 'sharing'],
    ];

    public function __construct(
        private ReadPerson $person,
        private Wanted $wanted,
        private PlanRecords $plans,
        private Records $records,
        private AuthorizationCheckerInterface $rights,
    ) {
    }

    /**
     * @return array{held: list<Hold>, here: string, places: array<string, array{string, array<string, string>}>} what
     *     is on hold; the present place; each place with the route that leads there
     */
    public function of(Practitioner $practitioner, string $route): array
    {
        $id = ['id' => (string) $practitioner->id];
        $plan = $this->plans->newestPlan($practitioner);

        return [
            'held' => $this->person->holds($practitioner)->active,
            'here' => (string) array_key_first(
                array_filter(self::PLACES, static fn (array $routes): bool => in_array($route, $routes, true)),
            ),
            'places' => [
                'place.readiness' => ['practitioner', $id],
                'place.measure' => match (true) {
                    null === $this->records->body($practitioner) => ['body', $id],
                    // Who only measures takes a test at a time.
                    !$this->rights->isGranted(RouteVoter::OPEN, 'assessment_new') => [
                        'bench',
                        $id + ['test' => Test::SOLES_TOGETHER],
                    ],
                    default => ['assessment_new', $id],
                },
                'place.ladder' => ['ladder', $id + ['posture' => $this->wanted->of($practitioner)[0]]],
                'place.plan' => null === $plan ? ['plan_new', $id] : ['plan', $id + ['plan' => (string) $plan->id]],
                'place.progress' => ['progress', $id],
                'place.history' => ['journal', $id],
                'place.share' => ['hand_over', $id],
            ],
        ];
    }
}
