<?php

declare(strict_types=1);

namespace LucidAscent\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\FeltInRung;
use LucidAscent\App\Entity\FromPractitioner;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Json\AllowanceFields;
use LucidAscent\App\Json\FeltFields;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Log\PractisedSide;
use LucidAscent\App\Log\SessionLogs;
use LucidAscent\App\Log\Undecided;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\RecordFelt;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Plan\PlanningRequest;
use LucidAscent\App\Plan\RequestCodec;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\App\Planning\MakePlan;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\Allowance;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\PlanRequest;
use LucidAscent\Core\Posture\FeltPlace;
use LucidAscent\Core\Progression\Decide;
use LucidAscent\Core\Readiness\Rules;
use Psr\Clock\ClockInterface;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\Uid\Uuid;

/**
 * What made-up people have practised: by a plan that was made for them, session after session, with the steps that were
 * decided on it, and what they say from home.
 *
 * @phpstan-import-type Practice from MadeUpStudio
 * @phpstan-import-type Planned from MadeUpStudio
 * @phpstan-import-type Hurt from MadeUpStudio
 */
final readonly class LoadPractice
{
    use CountsBack;

    /** Nobody comes every time: each session of this number is missed. */
    private const MISSED = 5;
    /** In one session of this number the breath is not even. */
    private const UNEVEN = 4;
    /** One piece of work in so many is felt in the low back, and one not at all. */
    private const FELT_ELSEWHERE = 9;
    /** How long after a session its step is decided. */
    private const DECIDED = '+20 minutes';
    private const ZONE = 'Europe/Oslo';

    public function __construct(
        private EntityManagerInterface $em,
        private ClockInterface $clock,
        private Catalogue $catalogue,
        private ReadPerson $person,
        private Wanted $wanted,
        private MakePlan $makePlan,
        private StoredPlans $plans,
        private Records $records,
        private RecordPain $pain,
        private RecordFelt $recordFelt,
        private Undecided $undecided,
        private PractisedSide $practised,
    ) {
    }

    /** @param Practice $practice */
    public function of(Practitioner $practitioner, array $practice): void
    {
        foreach ($practice['plans'] as $i => $asked) {
            $this->plan($practitioner, $asked, count($practice['plans']) - 1 === $i);
        }
        foreach ($practice['words'] as $days => $text) {
            $at = $this->ago($days);
            $note = new PractitionerNote(
                Uuid::v7(),
                $practitioner,
                $at,
                Day::midnight($at),
                PractitionerNote::WORDS,
                $text,
            );
            $this->em->persist($note);
            $this->em->persist(new FromPractitioner($note->id, $practitioner, $at, FromPractitioner::WORDS));
        }
        $this->em->flush();
    }

    /**
     * @param Planned $asked
     * @param bool $isLast whether nothing was planned after it: then its last step waits for the teacher
     */
    private function plan(Practitioner $practitioner, array $asked, bool $isLast): void
    {
        $then = $this->ago($asked['ago']);
        $poses = $this->person->at($practitioner, $then) ?? throw new \LogicException('Nobody has measured the body.');
        $request = new PlanningRequest(
            new PlanRequest(
                Day::midnight($then),
                $asked['weeks'],
                $asked['days'],
                $asked['minutes'],
                new Equipment(2, 3, true),
            ),
            $asked['school'],
            zone: self::ZONE,
        );
        $plan = $this->makePlan->plan($poses, $this->wanted->of($practitioner), $request);
        $kept = new PracticePlan(
            Uuid::v7(),
            $practitioner,
            $practitioner->teacher,
            $then,
            Rules::VERSION,
            RequestCodec::write($request),
            $this->plans->write($plan),
            null,
            '',
        );
        $this->em->persist($kept);
        $today = Day::of($this->clock->now());
        foreach ($plan->sessions() as $i => $session) {
            $isHurt = $i === ($asked['hurt'][0] ?? null);
            if (Day::of($session->on) < $today && (self::MISSED - 1 !== $i % self::MISSED || $isHurt)) {
                $this->log(
                    $practitioner,
                    $kept,
                    $session,
                    self::UNEVEN !== $i,
                    !in_array($i, $asked['unclean'], true),
                    $isHurt ? $asked['hurt'] : null,
                );
            }
            if ($isHurt) {
                // Then nothing is practised until a word in writing.
                break;
            }
        }
        $this->em->flush();
        $this->decide($practitioner, $isLast, null !== $asked['hurt']);
        if (null !== $asked['cleared']) {
            $this->clear($practitioner, $this->ago($asked['cleared']));
        }
    }

    /** What was held is cleared in writing, all of it. */
    private function clear(Practitioner $practitioner, \DateTimeImmutable $then): void
    {
        $held = array_filter(
            $this->person->at($practitioner, $then)->person->holds->active ?? [],
            static fn (Hold $hold): bool => null !== $hold->word,
        );
        $this->em->persist(
            new Clearance(
                Uuid::v7(),
                $practitioner,
                $practitioner->teacher,
                $then,
                'Sunniva Aasheim',
                ClearanceAuthority::Clinician,
                $then,
                'The ligaments are sound. Sitting postures again, as long as they are free of pain.',
                true,
                array_values(array_unique(array_map(static fn (Hold $hold): string => $hold->id(), $held))),
                'physiotherapist',
                AllowanceFields::write(new Allowance()),
            ),
        );
        $this->em->flush();
    }

    /** @param Hurt|null $hurt what hurt in the last piece of work on its side */
    private function log(
        Practitioner $practitioner,
        PracticePlan $plan,
        PlannedSession $session,
        bool $isEven,
        bool $isHeld,
        ?array $hurt,
    ): void {
        $pain = static fn (?array $of): array => null === $of
            ? ['level' => 0, 'where' => 'none', 'kind' => 'ache']
            : ['level' => $of[2], 'where' => $of[3], 'kind' => $of[4]];
        $work = array_filter(
            $session->items,
            static fn (PlannedItem $item): bool => Phase::Work === $item->phase,
        );
        $logs = new SessionLogs(
            $this->catalogue,
            $this->records,
            $this->pain,
            $this->recordFelt,
            new MockClock($session->on->modify('18:50')),
        );
        $hurting = null;
        foreach ($work as $i => $item) {
            if (null !== $hurt && in_array($item->side->value ?? 'both', [$hurt[1], 'both'], true)) {
                $hurting = $i;
            }
        }
        $read = $logs->read(
            Fields::of([
                'on' => Day::of($session->on),
                'items' => array_map(
                    fn (int $i, PlannedItem $item): array => [
                        ...(null === $item->drill ? [] : ['drill' => $item->drill->id]),
                        'posture' => $item->rung->posture,
                        'rung' => $item->rung->rung->id,
                        'side' => $item->side->value ?? 'both',
                        'pain' => $pain($i === $hurting ? $hurt : null),
                        'propsUsed' => true,
                        'holdReached' => $isHeld && $i !== $hurting,
                        'evenBreath' => $isEven,
                        'compensations' => [],
                        ...$this->felt($item),
                    ],
                    array_keys($work),
                    $work,
                ),
                'soreAtNight' => false,
                'note' => '',
            ]),
            Uuid::v7(),
            $practitioner,
            $plan,
            $practitioner->teacher,
        );
        foreach ($read->records as $record) {
            $this->em->persist($record);
        }
        foreach ($read->felt as $felt) {
            $this->em->persist(
                new FeltInRung(
                    Uuid::v7(),
                    $practitioner,
                    $practitioner->teacher,
                    $felt->at,
                    Day::midnight($felt->on),
                    $felt->posture,
                    $felt->rung,
                    $felt->side,
                    $felt->place->id,
                    $felt->kind,
                    "log $read->id",
                ),
            );
        }
    }

    /**
     * Where something deep was felt: where it should be, as a rule; now and then in the low back, or not at all.
     *
     * @return array<string, array{place: string, kind?: string}>
     */
    private function felt(PlannedItem $item): array
    {
        $rung = $this->catalogue->named("{$item->rung->posture}/{$item->rung->rung->id}") ?? [];
        $right = $rung['felt'] ?? [];
        if (true === ($rung['gentle'] ?? false) || [] === $right || null !== $item->drill) {
            return [];
        }
        $many = crc32("{$item->rung->rung->id} $item->seconds {$item->side?->value}") % self::FELT_ELSEWHERE;

        return [
            FeltFields::KEY => match ($many) {
                0 => ['place' => 'low-back', 'kind' => 'stretch'],
                1 => ['place' => FeltPlace::NOTHING],
                default => ['place' => $right[0], 'kind' => 'stretch'],
            },
        ];
    }

    /**
     * The step that the rules propose, on each ladder and side.
     *
     * @param bool $isLast whether the last of them waits for the teacher
     * @param bool $isHurt whether only what hurt is decided on
     */
    private function decide(Practitioner $practitioner, bool $isLast, bool $isHurt): void
    {
        $known = [];
        foreach (array_slice($this->undecided->of($practitioner), $isLast ? 1 : 0) as [$check]) {
            if ($isHurt && !$check->check()->pain->isFelt()) {
                continue;
            }
            $then = $check->at->modify(self::DECIDED);
            $known[$then->format('U')] ??= $this->person->at($practitioner, $then);
            $history = $this->practised->of($check, $known[$then->format('U')]);
            $proposal = Decide::proposal($history);
            $this->em->persist(
                Decision::of($check, $practitioner->teacher, $then, $history, $proposal, $proposal->step, ''),
            );
        }
        $this->em->flush();
    }
}
