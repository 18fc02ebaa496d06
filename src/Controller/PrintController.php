<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\PageCache\CachedPage;
use LucidAscent\App\PageCache\Whose;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Plan\LayOut;
use LucidAscent\App\Plan\PlanText;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\Today;
use LucidAscent\Core\Readiness\FindRestriction;
use LucidAscent\Core\Readiness\JointShape;
use LucidAscent\Core\Readiness\PropHeights;
use LucidAscent\Core\Route\NextReading;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What is given out on paper. */
final class PrintController extends TeacherController
{
    /** So many of the newest pains are told. */
    private const PAINS = 8;

    public function __construct(
        private readonly PlanRecords $planRecords,
        private readonly ReadPerson $person,
        private readonly Wanted $wanted,
    ) {
    }

    /** Where somebody stands: figures, both sides, errors, what holds, and the next step. */
    #[Route('/practitioners/{id}/report', 'report', methods: ['GET'])]
    #[CachedPage]
    public function report(string $id): Response
    {
        $practitioner = $this->practitioner($id);
        $poses = $this->person->now($practitioner);
        if (null === $poses) {
            return $this->bodyFirst($practitioner);
        }
        $wanted = $this->wanted->of($practitioner);
        $heights = $restriction = [];
        foreach (Side::cases() as $side) {
            $restriction[$side->value] = FindRestriction::of($poses, $side);
            foreach ($wanted as $pose) {
                $now = $poses->of($pose, $side)->onLadder()->rung;
                $heights[$pose][$side->value] =
                    null === $now ? null : PropHeights::of($now, $poses->person, $side);
            }
        }

        return $this->render('print/report.html.twig', [
            'practitioner' => $practitioner,
            'poses' => $poses,
            'wanted' => $wanted,
            'heights' => $heights,
            'restriction' => $restriction,
            'next' => NextReading::of($wanted, $poses),
        ]);
    }

    /** For a clinician: what was measured and said, what was stopped, and the question. No diagnosis. */
    #[Route('/practitioners/{id}/referral', 'referral_note', methods: ['GET'])]
    #[CachedPage]
    public function referral(string $id): Response
    {
        $practitioner = $this->practitioner($id);
        $poses = $this->person->now($practitioner);
        $pains = $this->person->pains($practitioner);
        usort($pains, static fn (PainTold $a, PainTold $b): int => $b->on <=> $a->on);
        $read = [];
        foreach (null === $poses ? [] : Ability::cases() as $ability) {
            foreach (Side::cases() as $side) {
                $read[$ability->value][$side->value] = $poses?->person->capacities($side)->get($ability);
            }
        }

        return $this->render('print/referral.html.twig', [
            'practitioner' => $practitioner,
            'holds' => $poses->person->holds->active ?? $this->person->holds($practitioner)->active,
            'pains' => array_slice($pains, 0, self::PAINS),
            'read' => array_filter($read, static fn (array $sides): bool => [] !== array_filter($sides)),
            'shapes' => null === $poses ? [] : JointShape::all($poses->person),
        ]);
    }

    /** One session for home, as figures: what is held has gone from it. */
    #[Route(
        '/practitioners/{id}/plans/{plan}/sessions/{week}-{session}/sheet',
        'home_sheet',
        requirements: ['week' => '[0-9]{1,2}', 'session' => '[0-9]'],
        methods: ['GET'],
    ),]
    #[CachedPage]
    public function home(
        string $id,
        string $plan,
        int $week,
        int $session,
        StoredPlans $plans,
        PlanText $text,
        LayOut $layOut,
    ): Response {
        $practitioner = $this->practitioner($id);
        $plan = $this->planRecords->plan($practitioner, $plan);
        $poses = $this->person->now($practitioner);
        $planned =
            $plans->keepingShort($plan, $poses)->session($week, $session) ??
            throw $this->createNotFoundException();
        $items = array_map(
            static fn (PlannedItem $item): array => $text->whole($item, $planned),
            Today::of($planned, $poses, true)->session->items,
        );

        return $this->render('print/home.html.twig', [
            'practitioner' => $practitioner,
            'plan' => $plan,
            'body' => $this->records->body($practitioner)?->proportions(),
            'session' => $text->session($planned),
            'items' => $items,
            'layOut' => $layOut->of($items, StoredPlans::asked($plan)),
        ]);
    }

    /** Empty sheets to write readings on, for a class without electricity. */
    #[Route('/sheets/recording', 'recording_sheets', methods: ['GET'])]
    #[CachedPage([], Whose::TeachersAlone)]
    public function recording(Catalogue $catalogue): Response
    {
        $tests = $catalogue->all(Kind::Test);
        uasort($tests, static fn (array $a, array $b): int => $a['order'] <=> $b['order']);

        return $this->render('print/recording.html.twig', ['tests' => $tests]);
    }
}
