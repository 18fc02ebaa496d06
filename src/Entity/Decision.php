<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Database\SealedType;
use LucidAscent\App\Json\ReasonCodec;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Progression\Decide;
use LucidAscent\Core\Progression\LadderPractice;
use LucidAscent\Core\Progression\Proposal;
use LucidAscent\Core\Readiness\Rules;
use LucidAscent\Core\Reason\Reason;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** What the rules proposed after a check, and what the teacher decided. One to a check; never changed. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['practitioner_id', 'ladder', 'side', 'at'])]
class Decision
{
    /**
     * @param list<array{code: string, source: string, numbers: array<string, float|int|string|list<string>>}> $reasons
     * @param list<string> $restsOn days of the sessions
     */
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\OneToOne, ORM\JoinColumn(nullable: false)]
        public readonly RungCheck $check,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        #[ORM\Column(length: 40)]
        public readonly string $ladder,
        #[ORM\Column(length: 5)]
        public readonly Side $side,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(length: 20)]
        public readonly Step $proposed,
        #[ORM\Column(length: 20)]
        public readonly Step $step,
        #[ORM\Column]
        public readonly array $reasons,
        #[ORM\Column]
        public readonly array $restsOn,
        #[ORM\Column(length: 40)]
        public readonly string $rungAfter,
        /** Why the teacher decided otherwise; empty when the proposal was accepted. */
        #[ORM\Column(type: SealedType::NAME)]
        public readonly string $why,
        #[ORM\Column(length: 10)]
        public readonly string $rules,
    ) {
    }

    /** What is decided on a check: its reasons and the rules are those of the proposal. A reason only if it differs. */
    public static function of(
        RungCheck $check,
        Teacher $by,
        \DateTimeImmutable $at,
        LadderPractice $history,
        Proposal $proposal,
        Step $step,
        string $why,
    ): self {
        return new self(
            Uuid::v7(),
            $check,
            $check->practitioner,
            $by,
            $check->ladder,
            $check->side,
            $at,
            $proposal->step,
            $step,
            array_map(ReasonCodec::write(...), $proposal->reasons),
            array_map(static fn (ReadinessCheck $one): string => $one->day(), $proposal->restsOn),
            Decide::rungAfter($history, $step)->id,
            $step === $proposal->step ? '' : trim($why),
            Rules::VERSION,
        );
    }

    public function isOverruled(): bool
    {
        return $this->step !== $this->proposed;
    }

    /** @return list<Reason> */
    public function because(): array
    {
        return array_map(ReasonCodec::read(...), $this->reasons);
    }
}
