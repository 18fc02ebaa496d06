<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\PosePurpose;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Json\Day;
use LucidAscent\App\PageCache\CachedPage;
use LucidAscent\App\Person\HelpsNow;
use LucidAscent\App\Person\ProgressPage;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\RouteMap;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Person\WhatIf;
use LucidAscent\App\Repository\AssessmentRecords;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Cycle;
use LucidAscent\Core\LegChain\PropAdvice;
use LucidAscent\Core\Plan\Remedy;
use LucidAscent\Core\Posture\Purpose;
use LucidAscent\Core\Readiness\Asymmetry;
use LucidAscent\Core\Readiness\FindRestriction;
use LucidAscent\Core\Readiness\PoseReading;
use LucidAscent\Core\Readiness\PropHeights;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Rules;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Route\Keystone;
use LucidAscent\Core\Route\NextReading;
use LucidAscent\Core\Route\Route as PoseRoute;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Which pose is ready, what holds it, and what leads there. */
final class PoseController extends TeacherController
{
    /** So many of the newest readings that were kept are looked through anew. */
    private const KEPT = 3;

    public function __construct(
        private readonly AssessmentRecords $assessments,
        private readonly ReadPerson $person,
        private readonly Catalogue $catalogue,
        private readonly PosePurpose $purposes,
        private readonly Wanted $wanted,
    ) {
    }

    #[Route('/practitioners/{id}/poses/{pose}', 'pose', methods: ['GET'])]
    #[CachedPage]
    public function pose(string $id, string $pose, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        if (!isset($this->catalogue->postures()[$pose])) {
            throw $this->createNotFoundException();
        }
        $recorded = $this->person->now($practitioner);
        if (null === $recorded) {
            return $this->bodyFirst($practitioner);
        }
        [$supposed, $refused] = self::supposed($request);
        $poses = [] === $supposed ? $recorded : $recorded->with(WhatIf::of($recorded->person, $supposed));
        $sides = $advice = $restriction = $helps = $heights = [];
        foreach (Side::cases() as $side) {
            $name = $side->value;
            $sides[$name] = $poses->of($pose, $side);
            // Where something is held, no prop is offered to go on with.
            $advice[$name] = State::Held === $sides[$name]->state() ? [] : $this->advice($sides[$name], $poses);
            $heights[$name] =
                null === $sides[$name]->onLadder()->rung
                    ? null
                    : PropHeights::of($sides[$name]->onLadder()->rung, $poses->person, $side);
            $restriction[$name] = FindRestriction::of($poses, $side);
            $helps[$name] = HelpsNow::of(
                Remedy::ofRestriction($restriction[$name]->restriction),
                $this->catalogue,
                $poses,
                $side,
            );
        }

        return $this->render('reading/pose.html.twig', [
            'practitioner' => $practitioner,
            'posture' => $this->catalogue->postures()[$pose],
            'sides' => $sides,
            'body' => $poses->person->proportions,
            'advice' => $advice,
            'heights' => $heights,
            'restriction' => $restriction,
            'helps' => $helps,
            'asymmetry' => Asymmetry::reasons($poses->person),
            'next' => NextReading::of([$pose], $poses),
            'recorded' => [
                'left' => $recorded->of($pose, Side::Left)->state(),
                'right' => $recorded->of($pose, Side::Right)->state(),
            ],
            'purpose' => $poses->person->purposes[$pose] ?? null,
            'closer' => $this->closer($pose, $poses->person->purposes[$pose] ?? null),
            'supposed' => $supposed,
            'typed' => $request->query->all('if'),
            'refused' => $refused,
            'abilities' => WhatIf::ABILITIES,
            'poses' => $this->catalogue->postures(),
            'tests' => $this->catalogue->tests(),
        ]);
    }

    /** @return list<string> names of postures that serve a purpose better; none where this one does */
    private function closer(string $pose, ?Purpose $purpose): array
    {
        return null === $purpose || $this->purposes->serves($pose, $purpose)
            ? []
            : array_map(
                fn (string $id): string => $this->catalogue->postures()[$id]->name ?? $id,
                $this->purposes->serving($purpose),
            );
    }

    #[Route('/practitioners/{id}/route', 'route', methods: ['GET'])]
    #[CachedPage(['wanted'])]
    public function route(string $id, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $poses = $this->person->now($practitioner);
        if (null === $poses) {
            return $this->bodyFirst($practitioner);
        }
        $wanted = array_values(
            array_filter(
                $request->query->all('wanted'),
                fn (mixed $pose): bool => is_string($pose) && isset($this->catalogue->postures()[$pose]),
            ),
        );
        if ([] === $wanted) {
            $wanted = $this->wanted->of($practitioner);
        }
        $routes = array_map(static fn (string $pose): PoseRoute => PoseRoute::to($pose, $poses), $wanted);
        $keystone = Keystone::of($routes, $poses);

        return $this->render('reading/route.html.twig', [
            'practitioner' => $practitioner,
            'routes' => $routes,
            'poses' => $poses,
            'map' => RouteMap::of($routes, $poses, $keystone),
            'keystone' => $keystone,
            'wanted' => $wanted,
            'targets' => $this->catalogue->poses(),
        ]);
    }

    #[Route('/practitioners/{id}/progress', 'progress', methods: ['GET'])]
    #[CachedPage]
    public function progress(string $id, ProgressPage $page): Response
    {
        $practitioner = $this->practitioner($id);
        $poses = $this->person->now($practitioner);

        return null === $poses
            ? $this->bodyFirst($practitioner)
            : $this->render(
                'reading/progress.html.twig',
                ['practitioner' => $practitioner, 'body' => $poses->person->proportions] +
                    $page->of($practitioner, $poses),
            );
    }

    #[Route('/practitioners/{id}/compare', 'compare', methods: ['GET'])]
    #[CachedPage(['from', 'to'])]
    public function compare(string $id, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $kept = $this->assessments->outcomes($practitioner, self::KEPT);
        $now = $this->clock->now();
        [$from, $to] = [
            $this->endOf((string) $request->query->get('from')),
            $this->endOf((string) $request->query->get('to')),
        ];
        $isToday = null === $to;
        $from ??= isset($kept[0])
            ? $practitioner->teacher->local($kept[0]->at)
            : $now->sub(new \DateInterval('P'.Cycle::DAYS.'D'));
        $to ??= $now;

        return $this->render('reading/compare.html.twig', [
            'practitioner' => $practitioner,
            'from' => $from,
            'to' => $to,
            'before' => $this->person->at($practitioner, $from),
            'after' => $isToday ? $this->person->now($practitioner) : $this->person->at($practitioner, $to),
            'wanted' => $this->wanted->of($practitioner),
            'kept' => array_map(
                fn ($reading): array => [
                    'reading' => $reading,
                    'changed' => Rules::VERSION === $reading->rules
                            ? []
                            : $this->changed($practitioner, $reading->at, $reading->states),
                ],
                $kept,
            ),
            'rules' => Rules::VERSION,
        ]);
    }

    /**
     * What the rules of today say of that day's records, where it differs from what was said then.
     *
     * @param array<string, array<string, string>> $states
     *
     * @return list<array{pose: string, side: string, then: string, now: string}>
     */
    private function changed(Practitioner $practitioner, \DateTimeImmutable $at, array $states): array
    {
        $poses = $this->person->at($practitioner, $at);
        $changed = [];
        foreach ($states as $id => $sides) {
            foreach ($sides as $side => $then) {
                $now =
                    null === $poses || !isset($poses->postures[$id])
                        ? $then
                        : $poses->of($id, Side::from($side))->state()->value;
                if ($now !== $then) {
                    $changed[] = [
                        'pose' => $this->catalogue->postures()[$id]->name ?? $id,
                        'side' => $side,
                        'then' => $then,
                        'now' => $now,
                    ];
                }
            }
        }

        return $changed;
    }

    /** @return list<PropAdvice> the least of each prop that lets the full form fit what is known */
    private function advice(PoseReading $side, ReadPoses $poses): array
    {
        $posture = $side->full()->posture;

        return null === $posture
            ? []
            : PropAdvice::of(
                $posture,
                $poses->person->proportions->body($side->side),
                $poses->person->capacities($side->side)->ofLeg(),
                [],
                30,
            );
    }

    /** @return array{array<string, float>, list<string>} what is supposed, and what could not be read as degrees */
    private static function supposed(Request $request): array
    {
        $supposed = $refused = [];
        foreach (WhatIf::ABILITIES as $ability) {
            foreach (Side::cases() as $side) {
                $text = $request->query->all('if')[$ability.'_'.$side->value] ?? '';
                $text = is_string($text) ? trim(str_replace(',', '.', $text)) : '';
                if ('' === $text) {
                    continue;
                }
                if (is_numeric($text) && (float) $text >= 0.0 && (float) $text <= WhatIf::FURTHEST) {
                    $supposed["$ability.$side->value"] = (float) $text;
                } else {
                    $refused[] = $ability.'_'.$side->value;
                }
            }
        }

        return [$supposed, $refused];
    }

    /** The last moment of a day by the teacher's clock; null when it is no day. */
    private function endOf(string $day): ?\DateTimeImmutable
    {
        return Day::written('Y-m-d', $day, $this->clock->now()->getTimezone())?->setTime(23, 59, 59);
    }
}
