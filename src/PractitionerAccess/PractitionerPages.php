<?php

declare(strict_types=1);

namespace LucidAscent\App\PractitionerAccess;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Person\DayAfter;
use LucidAscent\App\Person\ReadPerson;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\App\Repository\AccessRecords;
use LucidAscent\App\Repository\OutcomeRows;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\App\Repository\QuestionRecords;
use LucidAscent\App\Repository\Records;
use LucidAscent\App\Repository\TestRecords;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Plan\PainInSession;
use LucidAscent\Core\Testing\SmallestChange;
use LucidAscent\Core\Testing\Tool;
use Psr\Clock\ClockInterface;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;
use Symfony\Component\Uid\Uuid;

/** What a practitioner's own page shows, with a network or to be kept for without one. */
final readonly class PractitionerPages
{
    private const WEEKS_SHOWN = 8;
    private const WORDS_SHOWN = 3;

    public function __construct(
        private TestRecords $testRecords,
        private PlanRecords $planRecords,
        private Records $records,
        private AccessRecords $own,
        private PractitionerWeek $week,
        private ReadPerson $person,
        private StoredPlans $plans,
        private OutcomeRows $progress,
        private HomeMeasures $measures,
        private HomePictures $pictures,
        private DayAfter $dayAfter,
        private QuestionRecords $questions,
        private UrlGeneratorInterface $addresses,
        private ClockInterface $clock,
    ) {
    }

    /** @return list<array<string, mixed>> of this week, without what is held */
    public function sessions(Practitioner $practitioner): array
    {
        return $this->week->of(
            $this->planRecords->newestPlan($practitioner),
            $this->person->now($practitioner),
            Day::of($this->clock->now()),
        );
    }

    /** @return array{practitioner: Practitioner, sessions: list<array<string, mixed>>, ...<string, mixed>} */
    public function page(Practitioner $practitioner): array
    {
        $today = Day::of($this->clock->now());
        $plan = $this->planRecords->newestPlan($practitioner);
        $sessions = $this->sessions($practitioner);

        return [
            'practitioner' => $practitioner,
            'body' => $this->records->body($practitioner)?->proportions(),
            'holds' => $this->person->holds($practitioner)->active,
            'plan' => $plan,
            'today' => $today,
            'sessions' => $sessions,
            'note' => null === $plan ? null : $this->plans->plan($plan)->noteOn($today),
            'sat' => $this->own->satOn($practitioner, $today),
            'threads' => $this->questions->threads($practitioner, self::WORDS_SHOWN),
            'practised' => $this->own->sessionsByWeek(
                $this->planRecords->logs($practitioner),
                $today,
                self::WEEKS_SHOWN,
            ),
            'movement' => $this->progress->movement($practitioner),
            'measures' => $this->measures->offered($practitioner),
            'pictures' => $this->pictures->offered($practitioner, $sessions),
            'after' => $this->dayAfter->of($practitioner),
        ];
    }

    /**
     * @param array<string, mixed> $one of the page's sessions
     *
     * @return array<string, mixed>
     */
    public function session(Practitioner $practitioner, array $one): array
    {
        return [
            'practitioner' => $practitioner,
            'body' => $this->records->body($practitioner)?->proportions(),
            'session' => $one['shown'],
            'items' => $one['items'],
            'out' => $one['out'],
            'layOut' => $one['layOut'],
            'noise' => SmallestChange::between(
                $this->testRecords->toolErrorsFor($practitioner)->sd(Tool::Tape, 'cm'),
            ),
            'measure' => 'cm' === ($one['shown']['before']['unit'] ?? '') ? $one['shown']['before'] : null,
            'pains' => (new PainInSession())->answers,
            'log' => (string) Uuid::v7(),
            'address' => $this->addresses->generate('own_log'),
            'back' => $this->addresses->generate('own', ['said' => 'session']),
        ];
    }
}
