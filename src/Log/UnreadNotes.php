<?php

declare(strict_types=1);

namespace LucidAscent\App\Log;

use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Entity\Test;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\Words\ReadWords;
use Symfony\Component\Uid\Uuid;

/**
 * Notes that speak of pain or of a condition and came in where nobody could be asked what they mean, from a device or
 * in a record file: a teacher has to read them first.
 */
final class UnreadNotes
{
    /** Those of a log; null where they ask nothing. Whose words they are is told. */
    public static function ofLog(SessionLog $log, string $kind): ?PractitionerNote
    {
        $notes = array_filter(
            [$log->note, ...array_column($log->items, 'note')],
            static fn (string $note): bool => ReadWords::of($note)->ask(),
        );

        return [] === $notes
            ? null
            : new PractitionerNote(
                Uuid::v5($log->id, 'words'),
                $log->practitioner,
                $log->at,
                $log->practisedOn,
                $kind,
                mb_substr(implode("\n", $notes), 0, PractitionerNote::LONGEST),
            );
    }

    /**
     * Those of records of a file. Where a record says as well what hurts or is the matter, or that a teacher has read
     * its note, nothing is asked.
     *
     * @param list<object> $records
     *
     * @return list<PractitionerNote> as of now: whoever has read everything until now has not read them
     */
    public static function inFile(array $records, \DateTimeImmutable $now): array
    {
        $unread = [];
        foreach ($records as $one) {
            if ($one instanceof SessionLog) {
                $note = self::ofLog($one, PractitionerNote::OF_TEACHER)->text ?? '';
            } elseif ($one instanceof Test || $one instanceof RungCheck) {
                $note = self::isAnswered($one) ? '' : $one->note;
            } elseif ($one instanceof SeenRung) {
                $note = self::isAnswered($one) ? '' : $one->why;
            } elseif ($one instanceof Assessment) {
                $note = self::isAnswered($one) || [] !== $one->conditions ? '' : $one->note;
            } else {
                continue;
            }
            if (ReadWords::of($note)->ask()) {
                // Both sides of a test have one note.
                $id = Uuid::v5($one instanceof Test ? $one->entryId : $one->id, 'words');
                $unread[(string) $id] = new PractitionerNote(
                    $id,
                    $one->practitioner,
                    $now,
                    $now,
                    PractitionerNote::OF_TEACHER,
                    mb_substr($note, 0, PractitionerNote::LONGEST),
                );
            }
        }

        return array_values($unread);
    }

    private static function isAnswered(Assessment|RungCheck|SeenRung|Test $one): bool
    {
        return true === $one->noteRead || (new Pain($one->painLevel, $one->painPlace, $one->painKind))->isFelt();
    }
}
