<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution\Entry;

/** A slip of the pen, taken back by whoever made it, within a day; both are shown for ever. */
final readonly class EnteredByMistake implements Entry
{
    use Written;

    private const HOURS = 24;

    /**
     * @param string $names the entry that was a slip
     * @param string $by who takes it back
     */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $at,
        public string $names,
        public string $by,
        public string $why,
    ) {
    }

    public function on(): \DateTimeImmutable
    {
        return $this->at;
    }

    /**
     * Whether somebody may take an entry back as a slip of the pen at a moment: whoever made it, and in time; nobody
     * takes a slip back, nor what nobody has signed.
     */
    public static function mayTakeBack(Entry $entry, string $by, \DateTimeImmutable $at): bool
    {
        return !($entry instanceof self) && '' !== $by && $entry->by() === $by && self::isInTime($entry, $at);
    }

    /** Whether an entry can be taken back at a moment: by then it was made, and not longer ago than a day. */
    private static function isInTime(Entry $entry, \DateTimeImmutable $at): bool
    {
        return $at >= $entry->at() && $at <= self::until($entry);
    }

    /** The last moment at which an entry can be taken back. */
    public static function until(Entry $entry): \DateTimeImmutable
    {
        return $entry->at()->add(new \DateInterval('PT'.self::HOURS.'H'));
    }
}
