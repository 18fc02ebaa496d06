<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Readiness\Gate\Gates;

/** Reads postures for one person, each once. */
final class ReadPoses
{
    /** @var array<string, PoseReading> */
    private array $read = [];

    /** @param array<string, PostureDefinition> $postures by id */
    public function __construct(public readonly array $postures, public readonly KnownPerson $person)
    {
    }

    public function of(string $id, Side $side): PoseReading
    {
        $key = "$id $side->value";
        if (isset($this->read[$key])) {
            return $this->read[$key];
        }
        $posture = $this->postures[$id];
        $rungs = [];
        foreach ($posture->rungs as $rung) {
            $rungs[] = RungReading::of($posture, $rung, $this->person, $side);
        }
        $gates = [];
        foreach (Gates::before($id) as $gate) {
            $gates[] = $gate->check($this->person, $side, fn (string $first): bool => isset($this->postures[$first]) && $this->of($first, $side)->state()->isInReach());
        }

        return $this->read[$key] = new PoseReading($posture, $side, $this->person, $rungs, $gates);
    }

    /** A pose needs both sides: the worse of the two. */
    public function state(string $id): State
    {
        return $this->of($id, Side::Left)->state()->worse($this->of($id, Side::Right)->state());
    }

    /** The same postures for the same person with something changed. */
    public function with(KnownPerson $person): self
    {
        return new self($this->postures, $person);
    }
}
