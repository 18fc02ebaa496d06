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
use LucidAscent\App\Exchange\Fields;
use LucidAscent\App\Exchange\PlanAnswer;
use LucidAscent\App\Form\PlanForm;
use LucidAscent\App\Practice\HeldBack;
use LucidAscent\App\Practice\PlanCalendar;
use LucidAscent\App\Practice\StoredPlan;
use LucidAscent\App\Reading\PersonOn;
use LucidAscent\App\Reading\Wanted;
use LucidAscent\App\Twig\ReasonExtension;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\SessionRules;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Rules;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;
use Symfony\Component\Uid\Uuid;

/** Weeks of practice: made, changed by hand, carried out as a calendar. */
final class PlanController extends TeacherController
{
    public const TOKEN = 'plan';
    private const CHANGES = ['skip', 'earlier', 'later', 'easier', 'harder', 'lock', 'unlock', 'day-before', 'day-after'];

    public function __construct(
        private readonly PersonOn $person,
        private readonly PlanAnswer $planner,
        private readonly StoredPlan $stored,
        private readonly Catalogue $catalogue,
        private readonly OwnCatalogue $own,
        private readonly Wanted $wanted,
        private readonly HeldBack $heldBack,
        private readonly ReasonExtension $texts,
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
            'postures' => array_column($this->catalogue->all(Kind::Posture), 'id', 'name'),
            'zone' => $this->teacher()->timeZone() ?? 'UTC',
        ])->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $entry = $this->entryOf($form);
            if ($this->records->knows(PracticePlan::class, $entry)) {
                $this->sayRecorded(false, '');
            } else {
                $asked = $form->getData();
                $this->recordOnce($form, $this->made($practitioner, $entry, [
                    'weeks' => $asked['weeks'],
                    'days' => array_values($asked['days']),
                    'minutes' => $asked['minutes'],
                    'props' => ['blocks' => $asked['blocks'], 'blankets' => $asked['blankets'], 'strap' => $asked['strap']] + array_map(static fn (string $kind): bool => in_array($kind, $asked['there'], true), array_combine(Equipment::THERE_OR_NOT, Equipment::THERE_OR_NOT)),
                    'school' => $asked['school'],
                    'schools' => null === $asked['mixed'] ? null : ['sat' => $asked['mixed'], 'sun' => $asked['mixed']],
                    'pinned' => array_values($asked['pinned']),
                    'forbidden' => array_values($asked['forbidden']),
                    'time' => $asked['time'],
                    'zone' => $asked['zone'],
                ], $this->records->newestPlan($practitioner)));
            }

            return $this->redirectToRoute('plan', ['id' => $id, 'plan' => $entry]);
        }

        return $this->render('plan/new.html.twig', ['practitioner' => $practitioner, 'form' => $form, 'wanted' => array_map(fn (string $pose): string => $this->catalogue->postures()[$pose]->name, $this->wanted->of($practitioner))]);
    }

    #[Route('/practitioners/{id}/plans/{plan}', 'plan', methods: ['GET'])]
    public function show(string $id, string $plan): Response
    {
        $practitioner = $this->practitioner($id);
        $plan = $this->records->plan($practitioner, $plan);
        $poses = $this->person->now($practitioner);
        $decided = [];
        foreach ($this->records->allDecisions($practitioner) as $decision) {
            $decided[(string) $decision->check->id] = true;
        }
        $open = [];
        foreach ($this->records->allChecks($practitioner) as $check) {
            $key = $check->ladder.' '.$check->side->value;
            if (!isset($open[$key])) {
                $open[$key] = isset($decided[(string) $check->id]) ? null : $check;
            }
        }

        return $this->render('plan/show.html.twig', [
            'body' => $this->records->body($practitioner)?->proportions(),
            'practitioner' => $practitioner,
            'plan' => $plan,
            'weeks' => $this->heldBack->weeks($plan, $poses),
            'barred' => $this->heldBack->of($plan, $poses),
            'names' => array_map(static fn (array $posture): string => $posture['name'], $this->catalogue->all(Kind::Posture)),
            'rungs' => array_map(static fn (array $ladder): array => array_column(array_map(static fn ($rung): array => [$rung->rung->id, $rung->rung->name], $ladder), 1, 0), $this->catalogue->practice()),
            'tests' => array_map(static fn (array $test): string => $test['name'], $this->catalogue->all(Kind::Test)),
            'components' => $this->components(),
            'logs' => $this->records->logs($practitioner),
            'undecided' => array_values(array_filter($open)),
            'feed' => $this->records->feed($practitioner),
            'isNewest' => $this->records->newestPlan($practitioner) === $plan,
            'today' => Day::of($this->clock->now()),
            'token' => self::TOKEN,
        ]);
    }

    #[Route('/practitioners/{id}/plans/{plan}/change', 'plan_change', methods: ['POST'])]
    public function change(string $id, string $plan, Request $request): Response
    {
        $practitioner = $this->practitioner($id);
        $plan = $this->records->plan($practitioner, $plan);
        $this->checkToken(self::TOKEN, $request);
        $poses = $this->person->now($practitioner);
        [$week, $session, $item, $change] = [$request->request->getInt('week'), $request->request->getInt('session'), $request->request->getInt('item'), (string) $request->request->get('change')];
        $weeks = $plan->plan['weeks'];
        if (null === $poses || !in_array($change, self::CHANGES, true) || !isset($weeks[$week]['sessions'][$session]['items'][$item])) {
            throw $this->createNotFoundException();
        }
        $newest = $this->records->newestPlan($practitioner);
        if ($newest !== $plan) {
            $this->addFlash('hint', 'This plan was changed in another window: nothing was changed here. This is the newer one.');

            return $this->redirectToRoute('plan', ['id' => $id, 'plan' => $newest?->id]);
        }
        $why = trim((string) $request->request->get('why'));
        if (in_array($change, ['easier', 'harder'], true) && '' === $why) {
            $this->addFlash('hint', 'Not changed. Another rung than the proposed one needs a reason.');

            return $this->redirectToRoute('plan', ['id' => $id, 'plan' => $plan->id]);
        }
        $changed = $this->sessionsAfter($plan, $weeks[$week]['sessions'], $session, $item, $change);
        $broken = [] === $changed ? [new Reason('rule.no-day', Source::Own)] : array_merge(...array_map(fn (array $one): array => SessionRules::broken($this->session($plan, $one), $plan->request['minutes'], $poses), array_values($changed)));
        if ([] === $broken && in_array($change, ['day-before', 'day-after', 'harder'], true)) {
            $ofWeek = array_map(fn (array $one): PlannedSession => $this->session($plan, $one), array_values(array_replace($weeks[$week]['sessions'], $changed)));
            $broken = SessionRules::tooClose($ofWeek, $this->catalogue->dose($plan->request['school'] ?? null)->daysApart, $poses);
        }
        if ([] !== $broken) {
            $this->addFlash('hint', $this->say('Not changed. %rules%', ['%rules%' => implode(' ', array_map($this->texts->text(...), $broken))]));

            return $this->redirectToRoute('plan', ['id' => $id, 'plan' => $plan->id]);
        }
        $weeks[$week]['sessions'] = array_values(array_replace($weeks[$week]['sessions'], $changed));
        $newer = new PracticePlan(Uuid::v7(), $practitioner, $this->teacher(), $this->clock->now(), Rules::VERSION, $plan->request, ['weeks' => $weeks] + $plan->plan, $plan->id, mb_substr(trim("$change $why"), 0, 200));
        $this->records->add($newer);
        $this->addFlash('done', 'The plan is changed; the one before is kept.');

        return $this->redirectToRoute('plan', ['id' => $id, 'plan' => $newer->id, '_fragment' => "session-$week-$session"]);
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
        $this->records->addOnce($this->made($practitioner, $entry, $plan->request, $plan));
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

    /** @param array<string, mixed> $request */
    private function made(Practitioner $practitioner, Uuid $entry, array $request, ?PracticePlan $before): PracticePlan
    {
        $poses = $this->person->now($practitioner) ?? throw $this->createNotFoundException();
        $plan = $this->planner->plan($poses, $this->wanted->of($practitioner), PlanAnswer::request(Fields::of($request), $this->today()), $request['school'] ?? null, PlanAnswer::schools(Fields::of($request)));
        $answer = json_decode((string) json_encode($this->planner->answer($plan, $poses)), true);
        $answer['weeks'] = $this->withLocked($this->stored->kept($answer['weeks']), $before, $request['minutes'], $poses);

        return new PracticePlan($entry, $practitioner, $this->teacher(), $this->clock->now(), Rules::VERSION, $request, $answer, $before?->id, '');
    }

    /**
     * @param list<array<string, mixed>> $sessions of one week
     *
     * @return array<int, array<string, mixed>> the sessions that a change makes other; none when there is no such day in the week
     */
    private function sessionsAfter(PracticePlan $plan, array $sessions, int $at, int $item, string $change): array
    {
        $to = match ($change) {
            'day-before' => $at - 1,
            'day-after' => $at + 1,
            default => null,
        };
        if (null === $to) {
            return [$at => $this->stored->changed($sessions[$at], $item, $change, $this->catalogue->dose($plan->schoolOn($sessions[$at]['date'])))];
        }
        if (!isset($sessions[$to]) || $sessions[$to]['date'] < Day::of($this->clock->now())) {
            return [];
        }
        [$from, $into] = $this->stored->moved($sessions[$at], $item, $sessions[$to]);

        return [$at => $from, $to => $into];
    }

    /**
     * Sessions in which something was locked stay as they were, where no rule has come to forbid it.
     *
     * @param list<array<string, mixed>> $weeks
     *
     * @return list<array<string, mixed>>
     */
    private function withLocked(array $weeks, ?PracticePlan $before, int $minutes, ReadPoses $poses): array
    {
        $locked = [];
        foreach ($before->plan['weeks'] ?? [] as $week) {
            foreach ($week['sessions'] as $session) {
                $isLocked = [] !== array_filter($session['items'], static fn (array $item): bool => $item['locked'] ?? false);
                if ($isLocked && null !== $before && [] === SessionRules::broken($this->session($before, $session), $minutes, $poses)) {
                    $locked[$session['date']] = $session;
                }
            }
        }
        foreach ($weeks as &$week) {
            $week['sessions'] = array_map(static fn (array $session): array => $locked[$session['date']] ?? $session, $week['sessions']);
        }

        return $weeks;
    }

    /** @param array<string, mixed> $session of a plan */
    private function session(PracticePlan $plan, array $session): PlannedSession
    {
        return $this->stored->session($session, $this->catalogue->dose($plan->schoolOn($session['date'])));
    }

    /** @return array<string, list<string>> the postures that work on each component */
    private function components(): array
    {
        $components = [];
        foreach ($this->catalogue->postures() as $id => $posture) {
            foreach ($posture->abilities as $ability) {
                $components[$ability->value][] = $id;
            }
        }

        return $components;
    }
}
