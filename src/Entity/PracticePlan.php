<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Repository\MomentType;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** A plan as it stood. Never changed: a change by hand or a new start is a new row that names the old. */
#[ORM\Entity]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class PracticePlan
{
    /**
     * @param array<string, mixed> $request the time there is, as the command line takes it
     * @param array<string, mixed> $plan the plan, as the command line prints it
     */
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(length: 10)]
        public readonly string $rules,
        #[ORM\Column]
        public readonly array $request,
        #[ORM\Column]
        public readonly array $plan,
        #[ORM\Column(type: UuidType::NAME, nullable: true)]
        public readonly ?Uuid $replaces,
        /** What was changed, in a word; empty for a plan that was made anew. */
        #[ORM\Column(length: 200)]
        public readonly string $changed,
    ) {
    }

    /** The first of its days: the one that it was asked for from; of an old one, the day on which it was made. */
    public function from(): \DateTimeImmutable
    {
        return new \DateTimeImmutable($this->request['from'] ?? min([$this->at->format('Y-m-d'), ...array_column($this->plan['weeks'][0]['sessions'] ?? [], 'date')]), new \DateTimeZone('UTC'));
    }

    /** @return string|null the way of practising on a day; null where nobody chose one */
    public function schoolOn(string $date): ?string
    {
        return $this->request['schools'][strtolower((new \DateTimeImmutable($date))->format('D'))] ?? $this->request['school'] ?? null;
    }
}
