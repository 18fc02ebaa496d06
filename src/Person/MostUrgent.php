<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\PageCache\CachedParts;
use LucidAscent\App\Repository\AskedOnce;
use LucidAscent\App\Repository\Records;
use LucidAscent\App\Repository\UrgencyRows;
use Symfony\Component\Uid\Uuid;

/**
 * Everybody whom a teacher has, who needs somebody now first. What the rules say of each is worked out anew where a
 * record, the day or the code has changed since, and the database pages in that order: nobody who is held stands on a
 * page that nobody turns to.
 */
final readonly class MostUrgent
{
    private const AT_ONCE = 20;

    public function __construct(
        private UrgencyRows $rows,
        private CachedParts $parts,
        private Due $due,
        private Records $records,
        private AskedOnce $asked,
    ) {
    }

    /**
     * @return array{list<Practitioner>, int} one page of those whose name has the text in it, and how many there are in
     *     all
     */
    public function page(Teacher $teacher, string $text, int $page, int $each): array
    {
        $this->prepare($teacher, null);

        return $this->rows->page($teacher, $text, $page, $each);
    }

    /**
     * Works out whoever is not as of today, or of the records as they are now.
     *
     * @param int|null $most so many people; null for all of them
     *
     * @return int how many were worked out
     */
    public function prepare(Teacher $teacher, ?int $most): int
    {
        $known = $this->rows->places($teacher);
        // Before the records are: what is read then is at least as new as its count says.
        $places =
            [] === $known
                ? []
                : $this->parts->placesInStudio(
                    'urgency',
                    $teacher->studio(),
                    array_map(Uuid::fromString(...), array_keys($known)),
                );
        $levels = [];
        $done = 0;
        foreach ($known as $id => $place) {
            // What a record of tomorrow says is worked out each time; ahead of its time there is nothing to work out.
            $isAsked = null === $places[$id] ? null === $most : $place !== $places[$id];
            if (!$isAsked || ($most ?? PHP_INT_MAX) <= $done) {
                continue;
            }
            $levels[$id] = [$this->due->urgency($this->records->practitioner($teacher, $id)), $places[$id]];
            ++$done;
            // There may be hundreds, and not room for the records of all of them.
            if (0 === $done % self::AT_ONCE) {
                $this->rows->keep($levels);
                $levels = [];
                $this->asked->letGo();
            }
        }
        $this->rows->keep($levels);

        return $done;
    }
}
