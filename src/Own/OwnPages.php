<?php

declare(strict_types=1);

namespace LucidAscent\App\Own;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Practice\PainTable;
use LucidAscent\App\Reading\HoldsOn;
use LucidAscent\App\Reading\PersonOn;
use LucidAscent\App\Repository\KeptProgress;
use LucidAscent\App\Repository\OwnRecords;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Testing\SmallestChange;
use LucidAscent\Core\Testing\Tool;
use Psr\Clock\ClockInterface;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;
use Symfony\Component\Uid\Uuid;

/** What a practitioner's own page shows, with a network or to be kept for without one. */
final readonly class OwnPages
{
    private const WEEKS_SHOWN = 8;
    private const WORDS_SHOWN = 3;

    public function __construct(
        private Records $records,
        private OwnRecords $own,
        private OwnWeek $week,
        private PersonOn $person,
        private HoldsOn $holds,
        private KeptProgress $progress,
        private OwnMeasures $measures,
        private UrlGeneratorInterface $addresses,
        private ClockInterface $clock,
    ) {
    }

    /** @return array{practitioner: Practitioner, sessions: list<array<string, mixed>>, ...<string, mixed>} */
    public function page(Practitioner $practitioner): array
    {
        $today = Day::of($this->clock->now());
        $plan = $this->records->newestPlan($practitioner);

        return [
            'practitioner' => $practitioner,
            'body' => $this->records->body($practitioner)?->proportions(),
            'holds' => $this->holds->now($practitioner)->active,
            'plan' => $plan,
            'today' => $today,
            'sessions' => $this->week->of($plan, $this->person->now($practitioner), $today),
            'note' => $plan->plan['dailyNote'] ?? null,
            'sat' => $this->own->satOn($practitioner, $today),
            'words' => $this->own->words($practitioner, self::WORDS_SHOWN),
            'practised' => $this->own->sessionsByWeek($this->records->logs($practitioner), $today, self::WEEKS_SHOWN),
            'movement' => $this->progress->movement($practitioner),
            'measures' => $this->measures->offered($practitioner),
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
            'session' => $one['raw'],
            'items' => $one['items'],
            'out' => $one['out'],
            'layOut' => $one['layOut'],
            'noise' => SmallestChange::between($this->records->toolErrorsFor($practitioner)->sd(Tool::Tape, 'cm')),
            'measure' => 'cm' === ($one['raw']['before']['unit'] ?? '') ? $one['raw']['before'] : null,
            'pains' => PainTable::ofSession(),
            'log' => (string) Uuid::v7(),
            'address' => $this->addresses->generate('own_log'),
            'back' => $this->addresses->generate('own', ['said' => 'session']),
        ];
    }
}
