<?php

declare(strict_types=1);

namespace LucidAscent\App\Studio;

use LucidAscent\App\Entity\AccessKey;
use LucidAscent\App\Entity\AccessKeyEnd;
use LucidAscent\App\Entity\Consent;
use LucidAscent\App\Entity\PlanFeedEnd;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Sharing;
use LucidAscent\App\Entity\SharingEnd;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Repository\AccessRecords;
use LucidAscent\App\Repository\Consents;
use LucidAscent\App\Repository\PlanRecords;
use LucidAscent\App\Repository\Records;
use LucidAscent\App\Repository\StudioRecords;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** Stops everything that somebody's consent allowed, at once: what there is stays, for a copy and for erasure. */
final readonly class WithdrawConsent
{
    public function __construct(
        private Consents $consents,
        private Records $records,
        private AccessRecords $keys,
        private PlanRecords $plans,
        private StudioRecords $studio,
        private ClockInterface $clock,
    ) {
    }

    /** @param Teacher|null $by null where it is said on the own page */
    public function withdraw(Practitioner $practitioner, ?Teacher $by): void
    {
        $now = $this->clock->now();
        $feed = $this->plans->feed($practitioner);
        $this->records->add(
            new Consent(Uuid::v7(), $practitioner, false, $now, $by),
            ...array_map(
                static fn (AccessKey $key): AccessKeyEnd => new AccessKeyEnd($key->id, $now),
                $this->keys->keys($practitioner),
            ),
            ...array_map(
                static fn (Sharing $one): SharingEnd => new SharingEnd($one->id, $now, $by),
                $this->studio->sharings($practitioner),
            ),
            ...null === $feed ? [] : [new PlanFeedEnd($feed->id, $now)],
        );
    }

    /** @return bool whether there was one of this teacher's who had withdrawn */
    public function giveAgain(Teacher $by, string $id): bool
    {
        foreach ($this->consents->allWithdrawn($by) as $one) {
            if ((string) $one['who']->id === $id) {
                $this->records->add(new Consent(Uuid::v7(), $one['who'], true, $this->clock->now(), $by));

                return true;
            }
        }

        return false;
    }
}
