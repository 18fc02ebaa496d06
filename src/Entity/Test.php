<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Database\SealedType;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Testing\TakenTest;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/** One test of one side, as it was read. Never changed: a correction is a new row that names the old. */
#[ORM\Entity(readOnly: true)]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
#[ORM\Index(columns: ['corrects', 'at'])]
#[ORM\UniqueConstraint(columns: ['entry_id', 'side'])]
class Test
{
    public const SOLES_TOGETHER = 'soles-together';

    /** @var Collection<int, Trial> */
    #[ORM\OneToMany(targetEntity: Trial::class, mappedBy: 'test', cascade: ['persist']),
        ORM\OrderBy(['ordinal' => 'ASC']),]
    private Collection $trials;

    /** Both are asked of years of rows at a time; what they mean is the core's to say. */
    #[ORM\Column]
    public readonly bool $isClean;
    #[ORM\Column]
    public readonly bool $hurts;

    /** @param list<string> $compensations */
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        /**
         * Both sides taken down together share it; it is made when the form is opened, so that one form is one entry.
         */
        #[ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $entryId,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        #[ORM\Column(length: 40)]
        public readonly string $kind,
        #[ORM\Column(length: 5)]
        public readonly Side $side,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(length: 20)]
        public readonly string $tool,
        /** cm */
        #[ORM\Column]
        public readonly float $seat,
        #[ORM\Column]
        public readonly int $painLevel,
        #[ORM\Column(length: 20)]
        public readonly PainPlace $painPlace,
        #[ORM\Column(length: 20)]
        public readonly PainKind $painKind,
        #[ORM\Column]
        public readonly array $compensations,
        #[ORM\Column(length: 10)]
        public readonly string $rules,
        /** The entry that this one corrects. */
        #[ORM\Column(type: UuidType::NAME, nullable: true)]
        public readonly ?Uuid $corrects = null,
        #[ORM\ManyToOne]
        public readonly ?Assessment $assessment = null,
        /** Whether the leg came to rest, so that it could not have gone further; null when nobody said. */
        #[ORM\Column(nullable: true)]
        public readonly ?bool $resting = null,
        #[ORM\Column(type: SealedType::NAME)]
        public readonly string $note = '',
        /** The teacher's word that nothing of the note hurts or is the matter; null where it was not asked or given. */
        #[ORM\Column(nullable: true)]
        public readonly ?bool $noteRead = null,
    ) {
        $this->trials = new ArrayCollection();
        $this->isClean = TakenTest::provesSomething($compensations, $this->pain());
        $this->hurts = $this->pain()->isFelt();
    }

    /**
     * @param array<string, float> $readings in cm, degrees or seconds, by name
     * @param array<string, string> $entered the same as it was written down, with its unit
     * @param array<string, float> $errors one SD where the tool gave one with the reading, by name
     */
    public function add(array $readings, array $entered = [], array $errors = []): void
    {
        $this->trials->add(new Trial($this, count($this->trials) + 1, $readings, $entered, $errors));
    }

    /** @return list<Trial> in the order they were taken */
    public function trials(): array
    {
        return array_values($this->trials->toArray());
    }

    public function pain(): Pain
    {
        return new Pain($this->painLevel, $this->painPlace, $this->painKind);
    }
}
