<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Posture\BodyReach;
use LucidAscent\Core\Posture\JointAsked;
use LucidAscent\Core\Posture\Reach;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\MeasuredCapacity;

/** What a reach comes to for one side of one person: by their lengths, and by what their joints were read to give. */
final readonly class PredictReach
{
    /** Whatever else is as long as it is: these decide how far a hand gets. */
    private const LENGTHS = [
        Segment::Thigh,
        Segment::Shin,
        Segment::SeatToShoulder,
        Segment::ShoulderToFingertips,
        Segment::ElbowToFingertips,
    ];
    /** By how much a length is changed to see what it does, in cm. */
    private const STEP = 1.0;

    private Proportions $body;
    private BodyReach $here;
    /** @var array<string, MeasuredCapacity> by JointAsked::name */
    private array $known;
    /** @var array<string, float> how much of each of them is missing, likewise */
    private array $short;
    /** @var array<string, Ability> what nobody has read */
    private array $unread;
    private float $gap;

    /** @throws \DomainException when a body of these lengths cannot be in the shape at all */
    private function __construct(private Reach $reach, Snapshot $person, private Side $working)
    {
        $this->body = $person->proportions;
        $this->here = $reach->of($this->body, $working);
        $unread = $known = [];
        $asks = $this->here->asks();
        foreach ($asks as $asked) {
            $capacity = $person->capacities($asked->side)->get($asked->ability);
            if (null !== $capacity && self::tells($capacity, $asked, $person)) {
                $known[$asked->name()] = $capacity;
            } else {
                $unread[$asked->ability->value] = $asked->ability;
            }
        }
        $this->known = $known;
        $this->unread = $unread;
        $this->short = $this->missing($asks);
        $this->gap = $this->here->gap($this->short);
    }

    /** @return PredictedReach|null null where a body of these lengths cannot be in the shape at all */
    public static function of(Reach $reach, Snapshot $person, Side $working): ?PredictedReach
    {
        try {
            return (new self($reach, $person, $working))->predicted();
        } catch (\DomainException) {
            return null;
        }
    }

    /**
     * The strap or the block alone, which sessions ask for again and again: a small part of the work.
     *
     * @return float|null in cm; null where none makes up for what is missing, or nobody has read the shoulders
     */
    public static function strap(Reach $reach, Snapshot $person, Side $working): ?float
    {
        try {
            $of = new self($reach, $person, $working);
        } catch (\DomainException) {
            return null;
        }

        return isset($of->unread[Ability::ShoulderReach->value])
            ? null
            : Grip::strap($reach->kind(), $of->gap, $of->body->hand($working));
    }

    private function predicted(): PredictedReach
    {
        return new PredictedReach(
            $this->reach->kind(),
            $this->gap,
            $this->error(),
            $this->body->hand($this->working),
            $this->areArmsKnown()
                ? $this->gap - $this->reach->of($this->body->withUsualUpper(), $this->working)->gap($this->short)
                : null,
            $this->ofJoints(),
            array_values($this->unread),
        );
    }

    /** One SD in cm: of lengths, of readings, and of what the shape leaves out. */
    private function error(): float
    {
        $variance = $this->reach->kind()->error() ** 2;
        foreach (self::LENGTHS as $segment) {
            $sd = $this->body->error($this->working)->sd($segment);
            $longer = $this->reach->of($this->body->longer($segment, self::STEP), $this->working);
            $variance += (($sd * ($longer->gap($this->missing($longer->asks())) - $this->gap)) / self::STEP) ** 2;
        }
        foreach ($this->known as $name => $capacity) {
            // Both ways, for what is enough costs nothing however much more it is.
            $moved = fn (float $by): float => $this->here->gap(
                [$name => $this->short[$name] - $capacity->ability->turn() * $by] + $this->short,
            );
            $variance += (($moved($capacity->error) - $moved(-$capacity->error)) / 2.0) ** 2;
        }

        return sqrt($variance);
    }

    /** @return array<string, float> what each ability that falls short costs, in cm, the largest first */
    private function ofJoints(): array
    {
        $joints = [];
        foreach (array_filter($this->short, static fn (float $missing): bool => $missing > 0.0) as $name => $missing) {
            // Of two legs that give too little one alone would change nothing.
            $ability = $this->known[$name]->ability->value;
            $without = array_filter(
                $this->short,
                fn (string $of): bool => $this->known[$of]->ability->value !== $ability,
                ARRAY_FILTER_USE_KEY,
            );
            $joints[$ability] = $this->gap - $this->here->gap($without);
        }
        arsort($joints);

        return $joints;
    }

    /**
     * @param list<JointAsked> $asks
     *
     * @return array<string, float>
     */
    private function missing(array $asks): array
    {
        $missing = [];
        foreach ($asks as $asked) {
            if (isset($this->known[$asked->name()])) {
                $missing[$asked->name()] = $asked->missing($this->known[$asked->name()]->value);
            }
        }

        return $missing;
    }

    /** Whether a reading says how much of what is asked is there: a lower bound does only where it is enough. */
    private static function tells(MeasuredCapacity $capacity, JointAsked $asked, Snapshot $person): bool
    {
        return !$person->isTooOld($capacity->on())
            && (Bound::Exact === $capacity->bound || $asked->missing($capacity->value) <= 0.0);
    }

    private function areArmsKnown(): bool
    {
        return !$this->body->isEstimated(Segment::ShoulderToFingertips, $this->working)
            || !$this->body->isEstimated(Segment::SeatToShoulder, $this->working);
    }
}
