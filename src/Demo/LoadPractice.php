<?php

declare(strict_types=1);

namespace LucidAscent\App\Demo;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\FromPractitioner;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Log\PractisedSide;
use LucidAscent\App\Log\SessionLogs;
use LucidAscent\App\Log\Undecided;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\App\Person\Wanted;
use LucidAscent\App\Plan\PlanningRequest;
use LucidAscent\App\Plan\RequestCodec;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\App\Planning\MakePlan;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\Phase;
use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\PlanRequest;
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
 */
final readonly class LoadPractice
{
    /** Nobody comes every time: each session of this number is missed. */
    private const MISSED = 5;
    /** In one session of this number the breath is not even. */
    private const UNEVEN = 4;
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
        private Undecided $undecided,
        private PractisedSide $practised,
    ) {
    }

    /** @param Practice $practice */
    public function of(Practitioner $practitioner, array $practice): void
    {
        if (null !== $practice['plan']) {
            $this->plan($practitioner, $practice['plan']);
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

    /** @param array{int, int, string, non-empty-list<int>} $asked days ago, minutes, school and weekdays */
    private function plan(Practitioner $practitioner, array $asked): void
    {
        [$days, $minutes, $school, $weekdays] = $asked;
        $then = $this->ago($days);
        $poses = $this->person->at($practitioner, $then) ?? throw new \LogicException('Nobody has measured the body.');
        $request = new PlanningRequest(
            new PlanRequest(Day::midnight($then), 8, $weekdays, $minutes, new Equipment(2, 3, true)),
            $school,
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
            if (Day::of($session->on) < $today && self::MISSED - 1 !== $i % self::MISSED) {
                $this->log($practitioner, $kept, $session, self::UNEVEN !== $i);
            }
        }
        $this->em->flush();
        $this->decide($practitioner);
    }

    private function log(Practitioner $practitioner, PracticePlan $plan, PlannedSession $session, bool $isEven): void
    {
        $work = array_filter(
            $session->items,
            static fn (PlannedItem $item): bool => Phase::Work === $item->phase,
        );
        $logs = new SessionLogs(
            $this->catalogue,
            $this->records,
            $this->pain,
            new MockClock($session->on->modify('18:50')),
        );
        $read = $logs->read(
            Fields::of([
                'on' => Day::of($session->on),
                'items' => array_values(array_map(
                    static fn (PlannedItem $item): array => [
                        ...(null === $item->drill ? [] : ['drill' => $item->drill->id]),
                        'posture' => $item->rung->posture,
                        'rung' => $item->rung->rung->id,
                        'side' => $item->side->value ?? 'both',
                        'pain' => ['level' => 0, 'where' => 'none', 'kind' => 'ache'],
                        'propsUsed' => true,
                        'holdReached' => true,
                        'evenBreath' => $isEven,
                        'compensations' => [],
                    ],
                    $work,
                )),
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
    }

    /** The step that the rules propose, on each ladder and side; the last of them waits for the teacher. */
    private function decide(Practitioner $practitioner): void
    {
        foreach (array_slice($this->undecided->of($practitioner), 1) as [$check]) {
            $history = $this->practised->history($check);
            $proposal = Decide::proposal($history);
            $this->em->persist(
                Decision::of(
                    $check,
                    $practitioner->teacher,
                    $check->at->modify(self::DECIDED),
                    $history,
                    $proposal,
                    $proposal->step,
                    '',
                ),
            );
        }
    }

    private function ago(int $days): \DateTimeImmutable
    {
        return $this->clock->now()->modify("-$days days");
    }
}
