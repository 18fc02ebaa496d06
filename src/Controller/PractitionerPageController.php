<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Entity\FromPractitioner;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Form\Data\ElsewhereData;
use LucidAscent\App\Form\ElsewhereForm;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Json\JsonText;
use LucidAscent\App\Json\SentEntry;
use LucidAscent\App\Log\SessionLogs;
use LucidAscent\App\Person\DayAfter;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\RecordElsewhere;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\App\Plan\PlannedRungs;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\App\PractitionerAccess\AccessDoor;
use LucidAscent\App\PractitionerAccess\HomeMeasures;
use LucidAscent\App\PractitionerAccess\PractitionerPages;
use LucidAscent\App\Repository\AccessRecords;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\App\Repository\Records;
use LucidAscent\App\Text\Languages;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\Pain;
use Psr\Clock\ClockInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Form\FormError;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** A practitioner's own page: that person's, on that person's device, and nobody else's. */
final class PractitionerPageController extends AbstractController
{
    private const LONGEST = 60_000;

    public function __construct(
        private readonly PlanRecords $planRecords,
        private readonly AccessDoor $door,
        private readonly Records $records,
        private readonly AccessRecords $own,
        private readonly PractitionerPages $pages,
        private readonly ReadPerson $person,
        private readonly StoredPlans $plans,
        private readonly RecordPain $pain,
        private readonly ClockInterface $clock,
        private readonly Languages $languages,
    ) {
    }

    #[Route('/own', 'own', methods: ['GET'])]
    public function page(Request $request): Response
    {
        $practitioner = $this->door->opened($request);
        if (null === $practitioner) {
            return $this->door($request);
        }
        $said = $request->query->getString('said');

        return $this->render(
            'own/page.html.twig',
            $this->pages->page($practitioner) + [
                'token' => $this->door->token($request),
                'languages' => $this->languages->all(),
                'said' => in_array($said, ['words', 'sat', 'session', 'test', 'after', 'elsewhere'], true) ? $said : '',
            ] +
                $this->device($request),
        );
    }

    #[Route('/own/open', 'own_open', methods: ['GET', 'POST'])]
    public function open(Request $request): Response
    {
        if (!$request->isMethod('POST')) {
            return $this->redirectToRoute('own');
        }
        $words = $request->request->getString('words');
        $pin = $request->request->getString('pin');
        $response = $this->redirectToRoute('own');
        $fault = match (true) {
            '' === trim($words) => 'door.words.missing',
            !AccessDoor::isPin($pin) => 'door.pin.unfit',
            $pin !== $request->request->getString('again') => 'door.pin.differ',
            default => $this->door->bind($words, $pin, $response, $request),
        };

        return null === $fault
            ? $response
            : $this->render(
                'own/door.html.twig',
                ['isNew' => true, 'fault' => $fault, 'words' => $words],
                new Response(status: 422),
            );
    }

    #[Route('/own/pin', 'own_pin', methods: ['GET', 'POST'])]
    public function pin(Request $request): Response
    {
        if (!$request->isMethod('POST')) {
            return $this->redirectToRoute('own');
        }
        $key = $this->door->key($request);
        $response = $this->redirectToRoute('own');
        $fault =
            null === $key ? null : $this->door->unlock($key, $request->request->getString('pin'), $response, $request);

        return null === $fault
            ? $response
            : $this->render(
                'own/door.html.twig',
                ['isNew' => null === $this->door->key($request), 'fault' => $fault, 'words' => ''],
                new Response(status: 422),
            );
    }

    #[Route('/own/shut', 'own_shut', methods: ['POST'])]
    public function shut(): Response
    {
        $response = $this->redirectToRoute('own');
        $this->door->shut($response);

        return $response;
    }

    /** Something hurts: it holds at once, and the page says what now. */
    #[Route('/own/hurts', 'own_hurts', methods: ['GET', 'POST'])]
    public function hurts(Request $request): Response
    {
        $pain = $request->isMethod('POST') ? RecordPain::sent($request, '') : Pain::none();
        $side = Side::tryFrom($request->request->getString('side'));
        $entry = $this->entry($request);
        // Whatever has become of the page meanwhile: it is heard before anybody asks whether the page is open.
        $isHeard = $this->hear($request, [[$pain, $side]], "own page $entry");
        $practitioner = $isHeard ? $this->door->opened($request) : $this->changed($request);
        if (!$practitioner instanceof Practitioner) {
            return $practitioner ?? $this->door($request, true);
        }

        return $this->render(
            'own/hurts.html.twig',
            [
                'practitioner' => $practitioner,
                'isSaid' => $request->isMethod('POST') && $pain->isFelt(),
                'isNothing' => $request->isMethod('POST') && !$pain->isFelt(),
                'holds' => $this->person->holds($practitioner)->active,
                'entry' => $entry,
                'token' => $this->door->token($request),
            ] + $this->device($request),
        );
    }

    /** The language of this page, and how its numbers are written. */
    #[Route('/own/language', 'own_language', methods: ['POST'])]
    public function language(Request $request): Response
    {
        $practitioner = $this->changed($request);
        if (!$practitioner instanceof Practitioner) {
            return $practitioner;
        }
        $practitioner->speak($this->languages->known($request->request->getString('locale')));
        $this->records->add($practitioner);

        return $this->redirectToRoute('own');
    }

    /** A day after practice nothing hurts. */
    #[Route('/own/after', 'own_after', methods: ['POST'])]
    public function after(Request $request, DayAfter $dayAfter): Response
    {
        $practitioner = $this->changed($request);
        if (!$practitioner instanceof Practitioner) {
            return $practitioner;
        }
        $asked = $dayAfter->of($practitioner);
        // From a page of another day it is an answer to another question.
        $isThis = null !== $asked && Day::of($asked['on']) === $request->request->getString('on');
        $note = $isThis ? $dayAfter->nothing($practitioner, $asked['on']) : null;
        if (null !== $note) {
            $this->records->addOnce(
                new FromPractitioner($note->id, $practitioner, $note->at, FromPractitioner::CHECK),
            );
        }

        return $this->redirectToRoute('own', $isThis ? ['said' => 'after'] : []);
    }

    /** A class, or another sport: it counts, too. */
    #[Route('/own/elsewhere', 'own_elsewhere', methods: ['GET', 'POST'])]
    public function elsewhere(Request $request, RecordElsewhere $record): Response
    {
        $practitioner = $this->door->opened($request);
        if (null === $practitioner) {
            return $this->door($request, false);
        }
        $today = Day::midnight($this->clock->now());
        $data = new ElsewhereData();
        $data->doneOn = $today;
        // Whose page it is the door says; a form of a device carries its own token.
        $form = $this->createForm(ElsewhereForm::class, $data, [
            'today' => $today,
            'entry' => (string) Uuid::v7(),
            'csrf_protection' => false,
        ])->handleRequest($request);
        if ($form->isSubmitted()) {
            $this->door->isTokenOf($request) || throw new AccessDeniedHttpException();
        }
        if ($form->isSubmitted() && $form->isValid()) {
            $entry = SentEntry::id($form->get('entry')->getData());
            if ($record->isTooMuch($practitioner, $data->elsewhere(), $entry)) {
                $form->get('minutes')->addError(new FormError('elsewhere.minutes.day'));
            } else {
                $load = $record->of($practitioner, $data->elsewhere(), $entry);
                null === $load ?:
                $this->records->addOnce(
                    new FromPractitioner($load->id, $practitioner, $load->at, FromPractitioner::CHECK),
                );

                return $this->redirectToRoute('own', ['said' => 'elsewhere']);
            }
        }

        return $this->render(
            'own/elsewhere.html.twig',
            [
                'practitioner' => $practitioner,
                'form' => $form,
                'token' => $this->door->token($request),
            ] + $this->device($request),
        );
    }

    #[Route('/own/words', 'own_words', methods: ['POST'])]
    public function words(Request $request): Response
    {
        $practitioner = $this->changed($request);
        if (!$practitioner instanceof Practitioner) {
            return $practitioner;
        }
        $kind =
            PractitionerNote::SAT === $request->request->getString('kind')
                ? PractitionerNote::SAT
                : PractitionerNote::WORDS;
        $text = mb_substr(trim($request->request->getString('text')), 0, PractitionerNote::LONGEST);
        $now = $this->clock->now();
        if (PractitionerNote::SAT === $kind ? !$this->own->satOn($practitioner, Day::of($now)) : '' !== $text) {
            $id = SentEntry::id($request->request->getString('entry'));
            if (!$this->records->knows(PractitionerNote::class, $id)) {
                $word = new PractitionerNote(
                    $id,
                    $practitioner,
                    $now,
                    Day::midnight($now),
                    $kind,
                    PractitionerNote::SAT === $kind ? '' : $text,
                );
                $this->records->addOnce(
                    ...PractitionerNote::SAT === $kind
                        ? [$word]
                        : [$word, new FromPractitioner($id, $practitioner, $now, FromPractitioner::WORDS)],
                );
            }
        }

        return $this->redirectToRoute('own', ['said' => $kind]);
    }

    #[Route(
        '/own/sessions/{week}-{session}',
        'own_session',
        requirements: ['week' => '[0-9]{1,2}', 'session' => '[0-9]'],
        methods: ['GET'],
    )]
    public function session(int $week, int $session, Request $request): Response
    {
        $practitioner = $this->door->opened($request);
        if (null === $practitioner) {
            return $this->door($request);
        }
        $found =
            array_values(
                array_filter(
                    $this->pages->sessions($practitioner),
                    static fn (array $one): bool => $one['week'] === $week && $one['session'] === $session,
                ),
            )[0] ?? throw $this->createNotFoundException();

        return $this->render(
            'own/session.html.twig',
            $this->pages->session($practitioner, $found) + $this->device($request),
        );
    }

    /** A height or a gap, taken at home. */
    #[Route('/own/measure/{test}', 'own_measure', methods: ['GET', 'POST'])]
    public function measure(string $test, Request $request, HomeMeasures $measures): Response
    {
        $entry = Uuid::fromString($this->entry($request));
        $typed = $request->isMethod('POST') ? $request->request->all() : [];
        $practitioner = $this->door->opened($request);
        $offered = null === $practitioner ? [] : $measures->offered($practitioner);
        if (
            null === $practitioner
            || !isset($offered[$test])
            || (!$request->isMethodSafe() && !$this->door->isTokenOf($request))
        ) {
            // Shut, held meanwhile, or not allowed any more: what is said of pain is heard all the same.
            $isHeard = $this->hear(
                $request,
                array_map(
                    static fn (Side $side): array => [
                        RecordPain::typed(is_array($typed['pain'] ?? null) ? $typed['pain'][$side->value] ?? [] : []),
                        $side,
                    ],
                    Side::cases(),
                ),
                "own test $entry",
            );

            return match (true) {
                null === $practitioner => $this->door($request, $isHeard),
                !isset($offered[$test]) => throw $this->createNotFoundException(),
                default => throw new AccessDeniedHttpException(),
            };
        }
        $faults = [];
        if ($request->isMethod('POST')) {
            $this->records->together(function () use (&$faults, $measures, $practitioner, $test, $typed, $entry): void {
                $faults = $measures->keep($practitioner, $test, $typed, $entry);
                $this->mark($practitioner, "own test $entry");
            });
        }
        if ($request->isMethod('POST') && [] === $faults) {
            return $this->redirectToRoute('own', ['said' => 'test']);
        }

        return $this->render(
            'own/measure.html.twig',
            [
                'practitioner' => $practitioner,
                'body' => $this->records->body($practitioner)?->proportions(),
                'test' => $offered[$test],
                'typed' => $typed,
                'faults' => $faults,
                'entry' => (string) $entry,
                'token' => $this->door->token($request),
            ] + $this->device($request),
            new Response(status: [] === $faults ? 200 : 422),
        );
    }

    /** With what a log that waited is sent. */
    #[Route('/own/token', 'own_token', methods: ['GET'])]
    public function token(Request $request): JsonResponse
    {
        $device = null === $this->door->opened($request) ? null : $this->device($request)['device'];

        return null === $device
            ? new JsonResponse(['error' => 'shut'], 403)
            : new JsonResponse([
                'token' => $this->door->token($request),
                'owner' => $device['owner'],
                'key' => $device['key'],
                'older' => $this->door->olderQueues($this->door->key($request) ?? throw new \LogicException()),
            ]);
    }

    /** What was practised at home; the same log sent twice is kept once, and what it says of pain is never dropped. */
    #[Route('/own/log', 'own_log', methods: ['POST'])]
    public function log(Request $request, SessionLogs $logs): JsonResponse
    {
        $practitioner = $this->door->opened($request);
        if (null === $practitioner || !$this->door->isTokenOf($request)) {
            return new JsonResponse(['error' => 'shut'], 403);
        }
        $teacher = $practitioner->teacher;
        $plan = $this->planRecords->newestPlan($practitioner);
        $sent = JsonText::decode($request->getContent(), self::LONGEST);
        try {
            $log = Fields::of($sent);
            if (
                '' !==
                $this->heard($practitioner, static fn (): string => (string) $logs->told($log, $practitioner, $teacher))
            ) {
                return new JsonResponse(['address' => $this->generateUrl('own'), 'known' => false]);
            }
            $entry = Uuid::isValid($log->text('id'))
                ? Uuid::fromString($log->text('id'))
                : throw InvalidValue::because('id', 'is none.');
            null !== $plan || throw InvalidValue::because('plan', 'is not there any more.');
            $known = $this->records->knows(SessionLog::class, $entry);
            $read = $logs->read(
                $log,
                $entry,
                $practitioner,
                $plan,
                $teacher,
                new PlannedRungs(array_map($this->plans->plan(...), $this->planRecords->plans($practitioner))),
            );
            $this->records->together(function () use ($known, $read, $practitioner, $teacher, $entry, $logs): void {
                if (!$known) {
                    $this->records->addOnce(
                        ...[
                            ...$read->records,
                            ...$this->marks($read->records, $practitioner),
                        ],
                    );
                }
                $logs->hear($read, $practitioner, $teacher, $known);
                $this->mark($practitioner, "log $entry");
            });
        } catch (InvalidValue $e) {
            $this->heard($practitioner, static function () use (
                $logs,
                $sent,
                $request,
                $practitioner,
                $teacher,
            ): string {
                $logs->hearUnread($sent ?? $request->getContent(), $practitioner, $teacher);

                return SessionLogs::idOf($sent);
            });

            return new JsonResponse(['error' => $e->getMessage()], 422);
        }

        return new JsonResponse(['address' => $this->generateUrl('own', ['said' => 'session']), 'known' => $known]);
    }

    /**
     * What is told of a session, and that it was told by this page.
     *
     * @param \Closure(): string $hear which session it was told of; empty when nothing was told
     */
    private function heard(Practitioner $practitioner, \Closure $hear): string
    {
        $session = '';
        $this->records->together(function () use ($practitioner, $hear, &$session): void {
            $session = $hear();
            if ('' !== $session) {
                $this->mark($practitioner, "log $session");
            }
        });

        return $session;
    }

    /**
     * That records came in by this page.
     *
     * @param list<SessionLog|RungCheck|PractitionerNote> $records
     *
     * @return list<FromPractitioner>
     */
    private function marks(array $records, Practitioner $practitioner): array
    {
        return array_map(
            fn (SessionLog|RungCheck|PractitionerNote $one): FromPractitioner => new FromPractitioner(
                $one->id,
                $practitioner,
                $this->clock->now(),
                match (true) {
                    $one instanceof SessionLog => FromPractitioner::LOG,
                    $one instanceof RungCheck => FromPractitioner::CHECK,
                    $one instanceof PractitionerNote => FromPractitioner::WORDS,
                },
            ),
            $records,
        );
    }

    /** Pain that came in by this page is marked as the practitioner's own telling: the teacher sees it first. */
    private function mark(Practitioner $practitioner, string $source): void
    {
        $kinds = [
            FromPractitioner::PAIN => $this->records->painsSaid($practitioner),
            FromPractitioner::CHECK => $this->records->felt($practitioner),
        ];
        foreach ($kinds as $kind => $records) {
            foreach ($records as $one) {
                if (
                    $one->source === mb_substr($source, 0, 80)
                    && !$this->records->knows(FromPractitioner::class, $one->id)
                ) {
                    $this->records->addOnce(
                        new FromPractitioner($one->id, $practitioner, $this->clock->now(), $kind),
                    );
                }
            }
        }
    }

    /**
     * What hurts, of whoever has this device, open or not.
     *
     * @param list<array{Pain, Side|null}> $pains
     *
     * @return bool whether anything was said, and there is somebody who said it
     */
    private function hear(Request $request, array $pains, string $source): bool
    {
        $said = array_filter($pains, static fn (array $one): bool => $one[0]->isFelt());
        $who = [] === $said || $request->isMethodSafe() ? null : $this->door->whose($request);
        if (null === $who) {
            return false;
        }
        $this->records->together(function () use ($who, $said, $source): void {
            foreach ($said as [$pain, $side]) {
                $this->pain->of($who, $who->teacher, $pain, $side, $source);
            }
            $this->mark($who, $source);
        });

        return true;
    }

    /** Under which id a form was sent; a new one for a form that was not sent yet, or had none. */
    private function entry(Request $request): string
    {
        return (string) SentEntry::id($request->request->getString('entry'));
    }

    /** Whose page it is, where the change comes from that page; else the way in. */
    private function changed(Request $request): Practitioner|Response
    {
        $practitioner = $this->door->opened($request);
        if (null === $practitioner) {
            return $this->door($request);
        }

        return $request->isMethodSafe() || $this->door->isTokenOf($request)
            ? $practitioner
            : throw new AccessDeniedHttpException();
    }

    /** @param bool $isHeard whether what hurts has been written down, though the page is shut */
    private function door(Request $request, bool $isHeard = false): Response
    {
        return $this->render(
            'own/door.html.twig',
            ['isNew' => null === $this->door->key($request), 'fault' => null, 'words' => '', 'isHeard' => $isHeard],
            new Response(status: $request->isMethodSafe() || $isHeard ? 200 : 403),
        );
    }

    /** @return array{device: array{owner: string, key: string}|null} */
    private function device(Request $request): array
    {
        $key = $this->door->key($request);

        return ['device' => null === $key ? null : ['owner' => "own-$key->id", 'key' => $this->door->queueKey($key)]];
    }
}
