<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\PlanFeed;
use LucidAscent\App\Entity\PlanFeedEnd;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Form\PlanForm;
use LucidAscent\App\Log\Undecided;
use LucidAscent\App\OwnEntry\OwnCatalogue;
use LucidAscent\App\PageCache\CachedPage;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Plan\ForLesson;
use LucidAscent\App\Plan\LayOut;
use LucidAscent\App\Plan\PlanCalendar;
use LucidAscent\App\Plan\PlanningRequest;
use LucidAscent\App\Plan\PlanText;
use LucidAscent\App\Plan\PlanVolume;
use LucidAscent\App\Plan\RequestCodec;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\App\Planning\MakePlan;
use LucidAscent\App\Repository\AskedPeople;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\App\Security\PublicUrl;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\ExpectedStep;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\PlannedWeek;
use LucidAscent\Core\Plan\PlanRequest;
use LucidAscent\Core\Plan\Today;
use LucidAscent\Core\Reason\Reason;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** Weeks of practice: made, changed by hand, carried out as a calendar. */
final class PlanController extends TeacherController
{
    public const TOKEN = 'plan';

    public function __construct(
        private readonly PlanRecords $planRecords,
        private readonly ReadPerson $person,
        private readonly MakePlan $makePlan,
        private readonly Catalogue $catalogue,
        private readonly OwnCatalogue $own,
        private readonly Wanted $wanted,
        private readonly StoredPlans $plans,
        private readonly PlanText $text,
        private readonly PublicUrl $publicUrl,
    ) {
    }

    #[Route('/practitioners/{id}/plans/new', 'plan_new', methods: ['GET', 'POST'])]
    public function new(string $id, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        if (null === $this->records->body($practitioner)) {
            return $this->bodyFirst($practitioner);
        }
        $last = $this->planRecords->newestPlan($practitioner);
        $form = $this->createForm(
            PlanForm::class,
            options: [
                'entry' => (string) Uuid::v7(),
                'last' => null === $last ? null : StoredPlans::asked($last),
                'schools' => array_column($this->catalogue->all(Kind::School), 'id', 'name'),
                'postures' => array_flip($this->catalogue->names(Kind::Posture)) +
                    array_flip(
                        array_map(
                            fn (string $name): string => $this->say('plan.drill', ['drill' => $name]),
                            $this->catalogue->names(Kind::Drill),
                        ),
                    ),
                'zone' => $this->teacher()->timeZone() ?? 'UTC',
                'sequence' => array_flip($this->catalogue->names(Kind::Posture)),
            ],
        )->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $entry = $this->entryOf($form);
            if ($this->records->knows(PracticePlan::class, $entry)) {
                $this->sayRecorded(false, '');
            } else {
                $made = $this->makePlan->anew(
                    $practitioner,
                    $entry,
                    $this->teacher(),
                    $this->asked($form->getData()),
                    $last,
                );
                $this->recordOnce($form, $made ?? throw $this->createNotFoundException());
            }

            return $this->redirectToRoute('plan', ['id' => $id, 'plan' => $entry]);
        }

        return $this->render('plan/new.html.twig', [
            'practitioner' => $practitioner,
            'form' => $form,
            'wanted' => array_map(
                fn (string $pose): string => $this->catalogue->postures()[$pose]->name,
                $this->wanted->of($practitioner),
            ),
        ]);
    }

    /** The plan that stands now: the way back from a session that has carried it on. */
    #[Route('/practitioners/{id}/plans/newest', 'plan_newest', methods: ['GET'])]
    public function newest(string $id): Response
    {
        $newest = $this->planRecords->newestPlan($this->practitioner($id));

        return null === $newest
            ? $this->redirectToRoute('plan_new', ['id' => $id])
            : $this->redirectToRoute('plan', ['id' => $id, 'plan' => $newest->id]);
    }

    #[Route('/practitioners/{id}/plans/{plan}', 'plan', methods: ['GET'])]
    #[CachedPage(['week'])]
    public function show(
        string $id,
        string $plan,
        Request $request,
        PlanVolume $volume,
        Undecided $undecided,
        ForLesson $lessons,
    ): Response {
        $practitioner = $this->practitioner($id);
        $plan = $this->planRecords->plan($practitioner, $plan);
        $poses = $this->person->now($practitioner);
        $now = $this->plans->keepingShort($plan, $poses);
        $weeks = $this->text->weeks($now);
        $from = StoredPlans::asked($plan)->request->from;
        $today = Day::of($this->clock->now());
        $logs = $this->planRecords->logs($practitioner);

        return $this->render('plan/show.html.twig', [
            'body' => $this->records->body($practitioner)?->proportions(),
            'practitioner' => $practitioner,
            'plan' => $plan,
            'weeks' => $weeks,
            'days' => array_map(
                static fn (int $day): string => Day::of($from->add(new \DateInterval("P{$day}D"))),
                [] === $weeks ? [] : range(0, 7 * count($weeks) - 1),
            ),
            'opened' => $this->opened($weeks, $request->query->getInt('week'), $today),
            'barred' => $this->plans->barred($plan, $poses),
            'leftOut' => $this->text->reasons($now->leftOut),
            'retests' => $now->retests,
            'expected' => null === $poses
                ? []
                : $this->text->expected(
                    ExpectedStep::all(
                        $this->wanted->of($practitioner),
                        array_values(
                            array_filter(
                                $now->sessions(),
                                static fn (PlannedSession $session): bool => Day::of($session->on) >= $today,
                            ),
                        ),
                        $poses,
                    ),
                ),
            'dailyNote' => $now->noteOn($today),
            'lessons' => $lessons->of($now, $poses, $today),
            'names' => $this->catalogue->names(Kind::Posture),
            'tests' => $this->catalogue->names(Kind::Test),
            'volume' => $volume->of($now, $logs),
            'logs' => $logs,
            'undecided' => array_values($undecided->of($practitioner)),
            'feed' => $this->planRecords->feed($practitioner),
            'redo' => StoredPlans::redo($plan),
            'carriedOn' => StoredPlans::carriedOn($plan),
            'isReadable' => $this->plans->isReadable($plan),
            'isNewest' => $this->planRecords->newestPlan($practitioner) === $plan,
            'today' => $today,
            'token' => self::TOKEN,
        ]);
    }

    /** One item: how it is done, why it is there, and what may be changed of it. */
    #[Route(
        '/practitioners/{id}/plans/{plan}/items/{week}-{session}-{item}',
        'plan_item',
        requirements: ['week' => '[0-9]{1,2}', 'session' => '[0-9]', 'item' => '[0-9]{1,3}'],
        methods: ['GET'],
    )]
    #[CachedPage]
    public function item(string $id, string $plan, int $week, int $session, int $item): Response
    {
        $practitioner = $this->practitioner($id);
        $plan = $this->planRecords->plan($practitioner, $plan);
        $poses = $this->person->now($practitioner);
        $sessions = ($this->plans->keepingShort($plan, $poses)->weeks[$week] ?? null)->sessions ?? [];
        $of = $sessions[$session] ?? throw $this->createNotFoundException();
        $asked = $of->items[$item] ?? throw $this->createNotFoundException();
        $isToCome = $of->on->format('Y-m-d') >= Day::of($this->clock->now());
        $today = Day::of($this->clock->now());

        return $this->render('plan/item.html.twig', [
            'body' => $this->records->body($practitioner)?->proportions(),
            'practitioner' => $practitioner,
            'plan' => $plan,
            'week' => $week,
            'session' => $session,
            'place' => $item,
            'sessions' => array_map(
                static fn (PlannedSession $one): array => ['date' => $one->on->format('Y-m-d')],
                $sessions,
            ),
            'item' => $this->text->whole($asked, $of),
            'isBarred' => $isToCome && !Today::may($asked, $poses)->isYes(),
            'newest' => $this->planRecords->newestPlan($practitioner)?->id,
            'mayChange' => $this->planRecords->newestPlan($practitioner) === $plan && $asked->isWork() && $isToCome,
            'today' => $today,
            'token' => self::TOKEN,
        ]);
    }

    /** A page a week, for the wall. */
    #[Route('/practitioners/{id}/plans/{plan}/print', 'plan_print', methods: ['GET'])]
    #[CachedPage]
    public function print(string $id, string $plan): Response
    {
        $practitioner = $this->practitioner($id);
        $plan = $this->planRecords->plan($practitioner, $plan);
        $poses = $this->person->now($practitioner);

        return $this->render('plan/print.html.twig', [
            'body' => $this->records->body($practitioner)?->proportions(),
            'practitioner' => $practitioner,
            'plan' => $plan,
            'weeks' => $this->text->weeks($this->plans->keepingShort($plan, $poses)),
            'dailyNotes' => array_map(
                static fn (PlannedWeek $week): ?Reason => $week->note,
                $this->plans->plan($plan)->weeks,
            ),
            'barred' => $this->plans->barred($plan, $poses),
            'names' => $this->catalogue->names(Kind::Posture),
            'today' => Day::of($this->clock->now()),
        ]);
    }

    #[Route('/practitioners/{id}/plans/{plan}/again', 'plan_again', methods: ['POST'])]
    public function again(string $id, string $plan, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $plan = $this->planRecords->plan($practitioner, $plan);
        $this->checkToken(self::TOKEN, $request);
        $newest = $this->planRecords->newestPlan($practitioner);
        if ($newest !== $plan) {
            $this->addFlash(
                'hint',
                'plan.change.meanwhile',
            );

            return $this->redirectToRoute('plan', ['id' => $id, 'plan' => $newest?->id]);
        }
        $entry = Uuid::v7();
        $this->records->addOnce(
            $this->makePlan->anew($practitioner, $entry, $this->teacher(), StoredPlans::asked($plan), $plan) ??
                throw $this->createNotFoundException(),
        );
        $this->addFlash('done', 'plan.again.done');

        return $this->redirectToRoute('plan', ['id' => $id, 'plan' => $entry]);
    }

    #[Route('/practitioners/{id}/plans/{plan}/calendar.ics', 'plan_calendar', methods: ['GET'])]
    public function calendar(string $id, string $plan): Response
    {
        $practitioner = $this->practitioner($id);
        $this->planRecords->plan($practitioner, $plan);

        return $this->ics($practitioner);
    }

    #[Route('/practitioners/{id}/feed', 'feed_change', methods: ['POST'])]
    public function feed(string $id, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $this->checkToken(self::TOKEN, $request);
        $open = $this->planRecords->feed($practitioner);
        $now = $this->clock->now();
        // The old address ends where the new one begins.
        $ends = null === $open ? [] : [new PlanFeedEnd($open->id, $now)];
        if ('open' === $request->request->get('do')) {
            $secret = bin2hex(random_bytes(24));
            $this->records->add(new PlanFeed(Uuid::v7(), $practitioner, $now, hash('sha256', $secret)), ...$ends);
            $this->addFlash(
                'done',
                $this->say(
                    'plan.feed.opened',
                    [
                        'address' => $this->publicUrl->of($this->generateUrl('feed', ['secret' => $secret])),
                    ],
                ),
            );
        } else {
            $this->records->add(...$ends);
            $this->addFlash('done', 'plan.feed.revoked');
        }

        return $this->redirectToRoute('plan', [
            'id' => $id,
            'plan' => $this->planRecords->newestPlan($practitioner)->id ?? throw $this->createNotFoundException(),
        ]);
    }

    /** Read without signing in, by whoever was given the address. */
    #[Route('/feed/{secret}.ics', 'feed', requirements: ['secret' => '[0-9a-f]{48}'], methods: ['GET'])]
    public function open(#[\SensitiveParameter] string $secret, AskedPeople $people): Response
    {
        $practitioner = $this->planRecords->ofFeed(hash('sha256', $secret)) ?? throw $this->createNotFoundException();
        $people->add($practitioner);
        $this->catalogue->lay($this->own->of($practitioner->teacher));

        return $this->ics($practitioner);
    }

    private function ics(Practitioner $practitioner): Response
    {
        return new Response(
            PlanCalendar::of(
                (string) $practitioner->id,
                array_map($this->plans->calendar(...), $this->planRecords->plans($practitioner)),
                $practitioner->teacher->local($this->clock->now()),
                $this->say('calendar.practice'),
                $this->plans->empty($this->planRecords->newestPlan($practitioner), $this->person->now($practitioner)),
            ),
            headers: [
                'Content-Type' => 'text/calendar; charset=utf-8',
                'Content-Disposition' => 'attachment; filename="practice.ics"',
            ],
        );
    }

    /** @param array<string, mixed> $typed the form's data */
    private function asked(array $typed): PlanningRequest
    {
        $day = static fn (string $name): int => RequestCodec::DAYS[$name];

        return new PlanningRequest(
            new PlanRequest(
                $this->today(),
                $typed['weeks'],
                array_map($day, array_values($typed['days'])),
                $typed['minutes'],
                new Equipment(
                    $typed['blocks'],
                    $typed['blankets'],
                    $typed['strap'],
                    array_values(array_diff(Equipment::THERE_OR_NOT, $typed['there'])),
                ),
                array_values($typed['pinned']),
                array_values($typed['forbidden']),
                array_map($day, array_values($typed['sportDays'])),
                array_values(array_unique(array_filter($typed['sequence'], is_string(...)))),
            ),
            $typed['school'],
            null === $typed['mixed'] ? [] : [$day('sat') => $typed['mixed'], $day('sun') => $typed['mixed']],
            array_intersect_key($typed, LayOut::SIZES),
            $typed['time'],
            $typed['zone'],
        );
    }

    /**
     * @param list<array<string, mixed>> $weeks
     *
     * @return int the place of the week that was asked for, else of the first that is not over
     */
    private function opened(array $weeks, int $asked, string $today): int
    {
        if (isset($weeks[$asked - 1])) {
            return $asked - 1;
        }
        foreach ($weeks as $w => $week) {
            if (
                [] !==
                array_filter($week['sessions'], static fn (array $session): bool => $session['date'] >= $today)
            ) {
                return $w;
            }
        }

        return 0;
    }
}
