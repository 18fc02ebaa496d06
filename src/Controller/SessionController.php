<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Bench\Holds;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Exchange\Day;
use LucidAscent\App\Exchange\Fields;
use LucidAscent\App\Exchange\PainFields;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

/** A session as it is practised, and its log. */
final class SessionController extends TeacherController
{
    public const TOKEN = 'session';
    private const LONGEST = 60_000;

    public function __construct(private readonly Catalogue $catalogue, private readonly ClockInterface $clock)
    {
    }

    #[Route('/practitioners/{id}/plans/{plan}/sessions/{week}-{session}', 'session', requirements: ['week' => '\d{1,2}', 'session' => '\d'], methods: ['GET'])]
    public function practise(string $id, string $plan, int $week, int $session): Response
    {
        $practitioner = $this->practitioner($id);
        $plan = $this->records->plan($practitioner, $plan);
        $planned = $plan->plan['weeks'][$week]['sessions'][$session] ?? throw $this->createNotFoundException();

        return $this->render('plan/session.html.twig', [
            'practitioner' => $practitioner,
            'plan' => $plan,
            'session' => $planned,
            'items' => array_map($this->item(...), $planned['items']),
            'log' => (string) Uuid::v7(),
            'token' => self::TOKEN,
        ]);
    }

    /** What was practised; the same log sent twice is kept once. */
    #[Route('/practitioners/{id}/plans/{plan}/log', 'session_log', methods: ['POST'])]
    public function log(string $id, string $plan, Request $request): JsonResponse
    {
        $practitioner = $this->practitioner($id);
        $plan = $this->records->plan($practitioner, $plan);
        $this->checkToken(self::TOKEN, $request);
        $address = $this->generateUrl('plan', ['id' => $id, 'plan' => $plan->id]);
        try {
            $log = Fields::of(strlen($request->getContent()) > self::LONGEST ? null : json_decode($request->getContent(), true));
            $entry = Uuid::isValid($log->text('id')) ? Uuid::fromString($log->text('id')) : throw InvalidValue::because('id', 'is none.');
            if (!$this->records->knows(SessionLog::class, $entry)) {
                $this->records->add(...$this->recordsOf($log, $entry, $practitioner, $plan));
            }
        } catch (InvalidValue $e) {
            return new JsonResponse(['error' => $e->getMessage()], 422);
        }

        return new JsonResponse(['address' => $address]);
    }

    #[Route('/practitioners/{id}/checks/{check}/referral', 'referral', methods: ['GET'])]
    public function referral(string $id, string $check, Holds $holds): Response
    {
        $practitioner = $this->practitioner($id);
        $record = $this->records->check($practitioner, $check);
        $ladder = $this->catalogue->ladder($record->ladder);

        return $this->render('plan/referral.html.twig', [
            'practitioner' => $practitioner,
            'check' => $record,
            'ladder' => $ladder,
            'rung' => $ladder->has($record->rung) ? $ladder->rung($record->rung)->name : $record->rung,
            'conditions' => $holds->conditions($practitioner),
        ]);
    }

    /**
     * @return list<object>
     *
     * @throws InvalidValue
     */
    private function recordsOf(Fields $log, Uuid $entry, Practitioner $practitioner, PracticePlan $plan): array
    {
        $on = Day::of('on', $log->text('on'));
        if ($on > $this->clock->now()->modify('+1 day')) {
            throw InvalidValue::because('on', 'has not been yet.');
        }
        $now = $this->clock->now();
        $checks = [];
        $kept = [];
        foreach ($log->objects('items') as $item) {
            [$posture, $rung, $side] = [$item->text('posture'), $item->text('rung'), $item->text('side')];
            if (!in_array($rung, array_map(static fn ($one): string => $one->rung->id, $this->catalogue->practice()[$posture] ?? []), true)) {
                throw InvalidValue::because('items', sprintf('name no rung "%s" of "%s".', $rung, $posture));
            }
            $pain = PainFields::of($item);
            $values = ['holdReached' => $item->flag('holdReached'), 'evenBreath' => $item->flag('evenBreath'), 'compensations' => $item->texts('compensations')];
            $kept[] = ['posture' => $posture, 'rung' => $rung, 'side' => $side, 'pain' => ['level' => $pain->level, 'where' => $pain->place->value, 'kind' => $pain->kind->value], 'propsUsed' => $item->flag('propsUsed'), 'note' => mb_substr($item->text('note', ''), 0, 500)] + $values;
            foreach ('both' === $side ? Side::cases() : [Side::tryFrom($side) ?? throw InvalidValue::because('side', 'is left, right or both.')] as $one) {
                // A posture that was worked on twice on one side is one check: the second has the last word.
                $checks["$posture $rung $one->value"] = new RungCheck(Uuid::v7(), $practitioner, $this->teacher(), $posture, $one, $rung, $on, $now, null, $values['holdReached'], $values['evenBreath'], $pain->level, $pain->place, $pain->kind, $values['compensations'], $log->flag('soreAtNight'), '');
            }
        }

        return [
            new SessionLog($entry, $practitioner, $this->teacher(), $plan, $on, $now, $kept, $log->optionalNumber('before'), $log->optionalNumber('after'), mb_substr($log->text('note', ''), 0, 2000)),
            ...array_values($checks),
        ];
    }

    /**
     * What the page says of an item.
     *
     * @param array<string, mixed> $item
     *
     * @return array<string, mixed>
     */
    private function item(array $item): array
    {
        $posture = $this->catalogue->entry(Kind::Posture, $item['posture']);
        $rung = array_values(array_filter($posture['rungs'] ?? [], static fn (array $one): bool => $one['id'] === $item['rung']))[0] ?? null;

        return $item + [
            'name' => $posture['name'] ?? $item['posture'],
            'rungName' => $rung['name'] ?? $item['rung'],
            'position' => $rung['position'] ?? [],
            'check' => $rung['check'] ?? [],
            'gentle' => $rung['gentle'] ?? false,
            'stop' => $rung['stop'] ?? [],
            'gentler' => $rung['knee_safe'] ?? '',
            'wayOut' => $rung['way_out'] ?? '',
            'compensations' => array_map(static fn (array $one): array => ['id' => $one['id'], 'text' => $one['text']], $rung['compensations'] ?? []),
        ];
    }
}
