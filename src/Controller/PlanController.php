<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Catalogue\OwnCatalogue;
use LucidAscent\App\Entity\PlanFeed;
use LucidAscent\App\Entity\PlanFeedEnd;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Form\PlanForm;
use LucidAscent\App\Log\Undecided;
use LucidAscent\App\PageCache\CachedPage;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Plan\HeldBack;
use LucidAscent\App\Plan\ItemText;
use LucidAscent\App\Plan\LayOut;
use LucidAscent\App\Plan\MakePlan;
use LucidAscent\App\Plan\PlanCalendar;
use LucidAscent\App\Plan\PlanVolume;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Plan\Equipment;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;
use Symfony\Component\Uid\Uuid;

/** Weeks of practice: made, changed by hand, carried out as a calendar. */
final class PlanController extends TeacherController
{
    public const TOKEN = 'plan';

    public function __construct(
        private readonly ReadPerson $person,
        private readonly MakePlan $makePlan,
        private readonly Catalogue $catalogue,
        private readonly OwnCatalogue $own,
        private readonly Wanted $wanted,
        private readonly HeldBack $heldBack,
        private readonly ItemText $text,
    ) {
    }

    #[Route('/practitioners/{id}/plans/new', 'plan_new', methods: ['GET', 'POST'])]
    public function new(string $id, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        if (null === $this->records->body($practitioner)) {
            return $this->bodyFirst($practitioner);
        }
        $form = $this->createForm(PlanForm::class, options: [
            'entry' => (string) Uuid::v7(),
            'schools' => array_column($this->catalogue->all(Kind::School), 'id', 'name'),
            'postures' => array_flip($this->catalogue->names(Kind::Posture)) + array_flip(array_map(fn (string $name): string => $this->say('Drill: %1%', ['%1%' => $name]), $this->catalogue->names(Kind::Drill))),
            'zone' => $this->teacher()->timeZone() ?? 'UTC',
            'sequence' => array_flip($this->catalogue->names(Kind::Posture)),
        ])->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $entry = $this->entryOf($form);
            if ($this->records->knows(PracticePlan::class, $entry)) {
                $this->sayRecorded(false, '');
            } else {
                $asked = $form->getData();
                $this->recordOnce($form, $this->makePlan->anew($practitioner, $entry, $this->teacher(), [
                    'weeks' => $asked['weeks'],
                    'days' => array_values($asked['days']),
                    'minutes' => $asked['minutes'],
                    'props' => ['blocks' => $asked['blocks'], 'blankets' => $asked['blankets'], 'strap' => $asked['strap']] + array_map(static fn (string $kind): bool => in_array($kind, $asked['there'], true), array_combine(Equipment::THERE_OR_NOT, Equipment::THERE_OR_NOT)),
                    'sizes' => array_intersect_key($asked, LayOut::SIZES),
                    'school' => $asked['school'],
                    'schools' => null === $asked['mixed'] ? null : ['sat' => $asked['mixed'], 'sun' => $asked['mixed']],
                    'pinned' => array_values($asked['pinned']),
                    'forbidden' => array_values($asked['forbidden']),
                    'sportDays' => array_values($asked['sportDays']),
                    'sequence' => array_values(array_unique(array_filter($asked['sequence'], is_string(...)))),
                    'time' => $asked['time'],
                    'zone' => $asked['zone'],
                ], $this->records->newestPlan($practitioner)) ?? throw $this->createNotFoundException());
            }

            return $this->redirectToRoute('plan', ['id' => $id, 'plan' => $entry]);
        }

        return $this->render('plan/new.html.twig', ['practitioner' => $practitioner, 'form' => $form, 'wanted' => array_map(fn (string $pose): string => $this->catalogue->postures()[$pose]->name, $this->wanted->of($practitioner))]);
    }

    /** The plan that stands now: the way back from a session that has carried it on. */
    #[Route('/practitioners/{id}/plans/newest', 'plan_newest', methods: ['GET'])]
    public function newest(string $id): Response
    {
        $newest = $this->records->newestPlan($this->practitioner($id));

        return null === $newest ? $this->redirectToRoute('plan_new', ['id' => $id]) : $this->redirectToRoute('plan', ['id' => $id, 'plan' => $newest->id]);
    }

    #[Route('/practitioners/{id}/plans/{plan}', 'plan', methods: ['GET'])]
    #[CachedPage(['week'])]
    public function show(string $id, string $plan, Request $request, PlanVolume $volume, Undecided $undecided): Response
    {
        $practitioner = $this->practitioner($id);
        $plan = $this->records->plan($practitioner, $plan);
        $poses = $this->person->now($practitioner);
        $weeks = $this->named($this->heldBack->weeks($plan, $poses));
        $today = Day::of($this->clock->now());
        $logs = $this->records->logs($practitioner);

        return $this->render('plan/show.html.twig', [
            'body' => $this->records->body($practitioner)?->proportions(),
            'practitioner' => $practitioner,
            'plan' => $plan,
            'weeks' => $weeks,
            'days' => array_map(static fn (int $day): string => Day::of($plan->from()->add(new \DateInterval("P{$day}D"))), range(0, 7 * count($weeks) - 1)),
            'opened' => $this->opened($weeks, $request->query->getInt('week'), $today),
            'barred' => $this->heldBack->of($plan, $poses),
            'names' => $this->catalogue->names(Kind::Posture),
            'tests' => $this->catalogue->names(Kind::Test),
            'volume' => $volume->of($weeks, $logs),
            'logs' => $logs,
            'undecided' => array_values($undecided->of($practitioner)),
            'feed' => $this->records->feed($practitioner),
            'isNewest' => $this->records->newestPlan($practitioner) === $plan,
            'today' => $today,
            'token' => self::TOKEN,
        ]);
    }

    /** One item: how it is done, why it is there, and what may be changed of it. */
    #[Route('/practitioners/{id}/plans/{plan}/items/{week}-{session}-{item}', 'plan_item', requirements: ['week' => '[0-9]{1,2}', 'session' => '[0-9]', 'item' => '[0-9]{1,3}'], methods: ['GET'])]
    #[CachedPage]
    public function item(string $id, string $plan, int $week, int $session, int $item): Response
    {
        $practitioner = $this->practitioner($id);
        $plan = $this->records->plan($practitioner, $plan);
        $poses = $this->person->now($practitioner);
        $sessions = $this->heldBack->weeks($plan, $poses)[$week]['sessions'] ?? [];
        $asked = $sessions[$session]['items'][$item] ?? throw $this->createNotFoundException();
        $today = Day::of($this->clock->now());

        return $this->render('plan/item.html.twig', [
            'body' => $this->records->body($practitioner)?->proportions(),
            'practitioner' => $practitioner,
            'plan' => $plan,
            'week' => $week,
            'session' => $session,
            'place' => $item,
            'sessions' => $sessions,
            'item' => $this->text->of($asked, $plan->schoolOn($sessions[$session]['date']) ?? ''),
            'isBarred' => isset($this->heldBack->of($plan, $poses)["$week-$session-$item"]) && $sessions[$session]['date'] >= $today,
            'newest' => $this->records->newestPlan($practitioner)?->id,
            'mayChange' => $this->records->newestPlan($practitioner) === $plan && 'work' === $asked['phase'] && $sessions[$session]['date'] >= $today,
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
        $plan = $this->records->plan($practitioner, $plan);
        $poses = $this->person->now($practitioner);

        return $this->render('plan/print.html.twig', [
            'body' => $this->records->body($practitioner)?->proportions(),
            'practitioner' => $practitioner,
            'plan' => $plan,
            'weeks' => $this->named($this->heldBack->weeks($plan, $poses)),
            'barred' => $this->heldBack->of($plan, $poses),
            'names' => $this->catalogue->names(Kind::Posture),
            'today' => Day::of($this->clock->now()),
        ]);
    }

    #[Route('/practitioners/{id}/plans/{plan}/again', 'plan_again', methods: ['POST'])]
    public function again(string $id, string $plan, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $plan = $this->records->plan($practitioner, $plan);
        $this->checkToken(self::TOKEN, $request);
        $newest = $this->records->newestPlan($practitioner);
        if ($newest !== $plan) {
            $this->addFlash('hint', 'This plan was changed in another window: nothing was changed here. This is the newer one.');

            return $this->redirectToRoute('plan', ['id' => $id, 'plan' => $newest?->id]);
        }
        $entry = Uuid::v7();
        $this->records->addOnce($this->makePlan->anew($practitioner, $entry, $this->teacher(), $plan->request, $plan) ?? throw $this->createNotFoundException());
        $this->addFlash('done', 'Planned anew from today. What is past is not touched.');

        return $this->redirectToRoute('plan', ['id' => $id, 'plan' => $entry]);
    }

    #[Route('/practitioners/{id}/plans/{plan}/calendar.ics', 'plan_calendar', methods: ['GET'])]
    public function calendar(string $id, string $plan): Response
    {
        $practitioner = $this->practitioner($id);
        $this->records->plan($practitioner, $plan);

        return $this->ics($practitioner);
    }

    #[Route('/practitioners/{id}/feed', 'feed_change', methods: ['POST'])]
    public function feed(string $id, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $this->checkToken(self::TOKEN, $request);
        $open = $this->records->feed($practitioner);
        if (null !== $open) {
            $this->records->add(new PlanFeedEnd($open->id, $this->clock->now()));
        }
        if ('open' === $request->request->get('do')) {
            $secret = bin2hex(random_bytes(24));
            $this->records->add(new PlanFeed(Uuid::v7(), $practitioner, $this->clock->now(), hash('sha256', $secret)));
            $this->addFlash('done', $this->say('The calendar is at %address%. It is shown this once; whoever has it can read the plan.', ['%address%' => $this->generateUrl('feed', ['secret' => $secret], UrlGeneratorInterface::ABSOLUTE_URL)]));
        } else {
            $this->addFlash('done', 'The address is revoked.');
        }

        return $this->redirectToRoute('plan', ['id' => $id, 'plan' => $this->records->newestPlan($practitioner)->id ?? throw $this->createNotFoundException()]);
    }

    /** Read without signing in, by whoever was given the address. */
    #[Route('/feed/{secret}.ics', 'feed', requirements: ['secret' => '[0-9a-f]{48}'], methods: ['GET'])]
    public function open(#[\SensitiveParameter] string $secret): Response
    {
        $practitioner = $this->records->ofFeed(hash('sha256', $secret)) ?? throw $this->createNotFoundException();
        $this->catalogue->lay($this->own->of($practitioner->teacher));

        return $this->ics($practitioner);
    }

    private function ics(Practitioner $practitioner): Response
    {
        return new Response(
            PlanCalendar::of($this->records->plans($practitioner), $practitioner->teacher->local($this->clock->now()), $this->say('Practice'), $this->heldBack->empty($this->records->newestPlan($practitioner), $this->person->now($practitioner))),
            headers: ['Content-Type' => 'text/calendar; charset=utf-8', 'Content-Disposition' => 'attachment; filename="practice.ics"'],
        );
    }

    /**
     * @param list<array<string, mixed>> $weeks
     *
     * @return list<array<string, mixed>> with the names of what is done
     */
    private function named(array $weeks): array
    {
        return array_map(fn (array $week): array => ['sessions' => array_map(fn (array $session): array => ['items' => array_map($this->text->named(...), $session['items'])] + $session, $week['sessions'])] + $week, $weeks);
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
            if ([] !== array_filter($week['sessions'], static fn (array $session): bool => $session['date'] >= $today)) {
                return $w;
            }
        }

        return 0;
    }
}
