<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Reason\Reason;

/** A posture that should be worked on, with the rung of each side, and why. */
final readonly class Candidate
{
    /**
     * @param array{left: PracticeRung|null, right: PracticeRung|null} $rungs null for a side on which nothing of it may
     *     be done
     * @param Side|null $tighter the side that is worked on first and last once it is known; null where neither is
     * @param list<string> $components what it works on
     * @param list<Wish> $wishes what it is there for
     * @param PracticeRung|null $counter what undoes it; null where nothing has to
     * @param Side|null $counterSide the side that the counterpose is done on; null for both
     * @param int|null $set its place in a sequence that the teacher has set
     */
    public function __construct(
        public string $posture,
        public array $rungs,
        public ?Side $tighter,
        public array $components,
        public Reason $because,
        public array $wishes,
        public ?PracticeRung $counter,
        public ?Side $counterSide = null,
        public ?PracticeDrill $drill = null,
        public ?int $set = null,
    ) {
    }

    public function key(): string
    {
        return null === $this->drill ? $this->posture : PracticeDrill::KEY.$this->drill->id;
    }

    public function isWanted(): bool
    {
        return in_array(Wish::Wanted, $this->wishes, true);
    }

    /** @param string|null $theme the wanted posture of the day */
    public function weight(?string $theme): int
    {
        return array_sum(array_map(static fn (Wish $wish): int => $wish->weight(), $this->wishesOn($theme)));
    }

    /** @param string|null $theme the wanted posture of the day */
    public function worth(?string $theme): float
    {
        return array_product(array_map(static fn (Wish $wish): float => $wish->worth(), $this->wishesOn($theme)));
    }

    /** @return list<Wish> */
    private function wishesOn(?string $theme): array
    {
        return $theme === $this->posture && $this->isWanted() ? [...$this->wishes, Wish::Theme] : $this->wishes;
    }

    /** Whether it helps with any of these. */
    public function isFor(Remedy ...$remedies): bool
    {
        $names = array_map(static fn (Remedy $remedy): string => $remedy->value, $remedies);

        return [] !==
            array_filter(
                $this->rungs,
                static fn (?PracticeRung $rung): bool => [] !== array_intersect($rung->remedies ?? [], $names),
            );
    }

    /** Whether forms take turns with what is done of it. */
    public function hasForms(): bool
    {
        return [] !== array_filter($this->rungs, static fn (?PracticeRung $rung): bool => [] !== ($rung->forms ?? []));
    }

    public function keepsShort(Holds $holds): bool
    {
        return (null !== $this->rungs['left'] && $holds->keepsShort($this->rungs['left']->rung->work, Side::Left))
            || (null !== $this->rungs['right'] && $holds->keepsShort($this->rungs['right']->rung->work, Side::Right));
    }

    public function isDeep(): bool
    {
        return [] !==
            array_filter(
                $this->rungs,
                static fn (?PracticeRung $rung): bool => null !== $rung && !$rung->rung->isForAnybody(),
            );
    }
}
