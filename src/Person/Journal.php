<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Repository\AssessmentRecords;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\App\Repository\Records;
use LucidAscent\App\Repository\TestHistory;

/** Everything that was written down about a person, in order, the newest first; nothing of it is judged here. */
final readonly class Journal
{
    /** So many tests at most: older ones are on the pages of their own. */
    private const MOST = 2000;

    public function __construct(
        private PlanRecords $planRecords,
        private AssessmentRecords $assessments,
        private Records $records,
        private TestHistory $tests,
        private ReadPerson $person,
    ) {
    }

    /**
     * @param list<JournalKind> $kinds what is looked for; all of it when none is named
     * @param bool $withWords whether only what somebody said or wrote in their own words is looked for
     *
     * @return list<array{at: \DateTimeImmutable, kind: JournalKind, words: string, record: object, more: array<string,
     *     object>}>
     */
    public function of(Practitioner $practitioner, array $kinds, bool $withWords = false): array
    {
        $entries = [];
        $add = static function (
            JournalKind $kind,
            \DateTimeImmutable $at,
            object $record,
            string $words = '',
            array $more = [],
        ) use (&$entries, $kinds, $withWords): void {
            if (([] === $kinds || in_array($kind, $kinds, true)) && (!$withWords || '' !== trim($words))) {
                $entries[] = [
                    'at' => $at,
                    'kind' => $kind,
                    'words' => trim($words),
                    'record' => $record,
                    'more' => $more,
                ];
            }
        };
        foreach ($this->tests->newest($practitioner, self::MOST)[0] as $both) {
            $any = $both['left'] ?? ($both['right'] ?? null);
            null === $any ?:
            $add(
                JournalKind::Test,
                $any->at,
                $any,
                implode(' ', array_unique(array_map(static fn ($test): string => $test->note, $both))),
                $both,
            );
        }
        foreach ($this->assessments->assessments($practitioner) as $assessment) {
            $add(JournalKind::Test, $assessment->at, $assessment, $assessment->note);
        }
        $logs = $this->planRecords->logs($practitioner);
        foreach ($logs as $log) {
            $add(JournalKind::Practice, $log->at, $log, self::said($log));
        }
        // A log keeps a check of each rung in it, made at the same moment: those are told by the log.
        $logged = array_flip(array_map(static fn (SessionLog $log): string => $log->at->format('U.u'), $logs));
        foreach ($this->records->allChecks($practitioner) as $check) {
            isset($logged[$check->at->format('U.u')]) ?:
            $add(JournalKind::Practice, $check->at, $check, $check->note);
        }
        foreach ($this->records->classesAttended($practitioner) as $class) {
            $add(JournalKind::Practice, $class->at, $class);
        }
        foreach ($this->records->waysCompared($practitioner) as $compared) {
            $add(JournalKind::Practice, $compared->at, $compared);
        }
        foreach ($this->records->waysTried($practitioner) as $tried) {
            $add(JournalKind::Practice, $tried->at, $tried);
        }
        foreach ($this->records->otherLoads($practitioner) as $load) {
            $add(JournalKind::Practice, $load->at, $load);
        }
        foreach ($this->records->daysAfter($practitioner) as $note) {
            $add(JournalKind::Practice, $note->at, $note);
        }
        foreach ($this->records->seenRungs($practitioner) as $seen) {
            $add(JournalKind::Walk, $seen->at, $seen, $seen->why);
        }
        foreach ($this->records->felt($practitioner) as $felt) {
            $add(JournalKind::Felt, $felt->at, $felt);
        }
        foreach ($this->records->allDecisions($practitioner) as $decision) {
            $add(JournalKind::Decision, $decision->at, $decision, $decision->why);
        }
        foreach ($this->person->pains($practitioner) as $pain) {
            $add(JournalKind::Pain, $pain->at, $pain);
        }
        foreach ($this->records->clearances($practitioner) as $word) {
            $add(JournalKind::Word, $word->at, $word, $word->allows);
        }
        foreach ($this->records->mistakes($practitioner) as $mistake) {
            $add(JournalKind::Word, $mistake->at, $mistake, $mistake->why);
        }
        foreach ($this->planRecords->plans($practitioner) as $plan) {
            $add(JournalKind::Plan, $plan->at, $plan);
        }
        foreach ($this->records->bodies($practitioner) as $body) {
            $add(JournalKind::Body, $body->at, $body);
        }
        usort($entries, static fn (array $a, array $b): int => $b['at'] <=> $a['at']);

        return $entries;
    }

    /** What was said of a session and of its items. */
    private static function said(SessionLog $log): string
    {
        return implode(
            ' ',
            array_filter(
                [
                    $log->note,
                    ...array_map(static fn (array $item): string => (string) ($item['note'] ?? ''), $log->items),
                ],
                static fn (string $text): bool => '' !== $text,
            ),
        );
    }
}
