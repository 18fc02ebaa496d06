<?php

declare(strict_types=1);

namespace LucidAscent\App\Studio;

use LucidAscent\App\Entity\HandedOver;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Role;
use LucidAscent\App\Entity\Sharing;
use LucidAscent\App\Entity\SharingEnd;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Repository\AskedPeople;
use LucidAscent\App\Repository\Records;
use LucidAscent\App\Repository\StudioRecords;
use LucidAscent\App\Security\OneAtATime;
use LucidAscent\Core\Calendar\Day;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** Who beside the teacher may open somebody's record: with that person's word for it, and until either ends it. */
final readonly class SharedRecord
{
    /** A reader's day is no further off. */
    public const LONGEST = '+12 months';

    public function __construct(
        private StudioRecords $studio,
        private Records $records,
        private AskedPeople $asked,
        private OneAtATime $oneAtATime,
        private ClockInterface $clock,
    ) {
    }

    /** @return list<Teacher> with whom it can be shared, by name */
    public function colleagues(Practitioner $practitioner): array
    {
        $has = array_map(
            static fn (Sharing $one): string => (string) $one->member->id,
            $this->studio->sharings($practitioner),
        );

        return array_values(
            array_filter(
                $this->studio->members($practitioner->teacher->studio()),
                static fn (Teacher $one): bool => $one !== $practitioner->teacher
                    && !in_array((string) $one->id, $has, true),
            ),
        );
    }

    /** @return list<Teacher> to whom the person can be handed over, by name */
    public function teachers(Practitioner $practitioner): array
    {
        return array_values(
            array_filter(
                $this->studio->members($practitioner->teacher->studio()),
                static fn (Teacher $one): bool => $one !== $practitioner->teacher && $one->role()->teaches(),
            ),
        );
    }

    /**
     * @param \DateTimeImmutable|null $last the last day on which it is open
     *
     * @return array{string, string}|null the field that is wrong, and the message that says why
     */
    public function share(
        Practitioner $practitioner,
        Teacher $with,
        \DateTimeImmutable $agreedOn,
        ?\DateTimeImmutable $last,
        Teacher $by,
    ): ?array {
        // A reader whom two teachers give a record at once has one of them.
        $this->oneAtATime->hold('studio '.$by->studio()->id);
        $now = $this->clock->now();
        $today = Day::midnight($now);
        $fault = match (true) {
            !in_array($with, $this->colleagues($practitioner), true),
            $with->role() !== $this->studio->roleNow($with) => ['member', 'sharing.fault.member'],
            $agreedOn > $today => ['agreedOn', 'sharing.fault.agreed'],
            null !== $last && $last < $today => ['last', 'sharing.fault.past'],
            null === $last && Role::Reader === $with->role() => ['last', 'sharing.fault.reader'],
            $last > $today->modify(self::LONGEST) => ['last', 'sharing.fault.far'],
            Role::Reader === $with->role() && [] !== $this->studio->sharedWith($with) => [
                'member',
                'sharing.fault.one',
            ],
            default => null,
        };
        if (null === $fault) {
            // Over at the end of that day by the studio's clock.
            $until = null === $last ? null : new \DateTimeImmutable($last->format('Y-m-d'), $now->getTimezone());
            $this->records->add(
                new Sharing(Uuid::v7(), $practitioner, $with, $agreedOn, $until?->modify('+1 day'), $now, $by),
            );
        }

        return $fault;
    }

    /** @param Teacher|null $by null where it is the person */
    public static function mayEnd(Sharing $sharing, ?Teacher $by): bool
    {
        return null === $by || $by === $sharing->practitioner->teacher || $by === $sharing->member;
    }

    /**
     * @param Teacher|null $by null where it is the person who ends it
     *
     * @return bool whether there was something to end
     */
    public function end(Practitioner $practitioner, string $id, ?Teacher $by): bool
    {
        foreach ($this->studio->sharings($practitioner) as $one) {
            if ((string) $one->id === $id && self::mayEnd($one, $by)) {
                return $this->records->addOnce(new SharingEnd($one->id, $this->clock->now(), $by));
            }
        }

        return false;
    }

    /** @return bool whether it could be done */
    public function handOver(Practitioner $practitioner, Teacher $to, Teacher $by): bool
    {
        $this->oneAtATime->hold('studio '.$by->studio()->id);
        if (!in_array($to, $this->teachers($practitioner), true) || !$this->studio->roleNow($to)->teaches()) {
            return false;
        }
        $this->records->add(...$this->handedOver($practitioner, $to, $by));

        return true;
    }

    /** @return list<object> what is to be written down, of somebody who is another teacher's from now on */
    public function handedOver(Practitioner $practitioner, Teacher $to, Teacher $by): array
    {
        $this->asked->add($practitioner);
        $now = $this->clock->now();
        $records = [new HandedOver(Uuid::v7(), $practitioner, $practitioner->teacher, $to, $now, $by)];
        foreach ($this->studio->sharings($practitioner) as $one) {
            // Whoever has the person now needs no leave of anybody's, and keeps none when they give the person on.
            if ($one->member === $to) {
                $records[] = new SharingEnd($one->id, $now, $by);
            }
        }

        return $records;
    }
}
