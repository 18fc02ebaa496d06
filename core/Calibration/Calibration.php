<?php

declare(strict_types=1);

namespace LucidAscent\Core\Calibration;

use LucidAscent\Core\Readiness\State;

/** What came of it, and how that stands to what is aimed at. */
final readonly class Calibration
{
    /**
     * Aims, in percent: verdicts that are wrong, points between a chance and what happened, intervals that hold the
     * truth, readings.
     */
    public const WRONG = 2.5;
    public const POINTS = 3.0;
    public const COVERED = [93.0, 97.0];
    public const READINGS = 50.0;
    /** A tenth with fewer verdicts than this says nothing of a few points. */
    public const FEWEST = 500;

    /**
     * @param Tally $all every pose of everybody, after every test
     * @param Tally $asked the one pose that each came for, as soon as nothing more was worth measuring
     * @param list<int> $proposed how many readings until then, in the proposed order
     * @param list<int> $inOrder of the same people, in the taught order
     */
    public function __construct(
        public int $people,
        public int $seed,
        public Tally $all,
        public Tally $asked,
        private array $proposed,
        private array $inOrder,
    ) {
    }

    /** How many people were measured in both orders. */
    public function ordered(): int
    {
        return count($this->proposed);
    }

    /** Readings in the proposed order, on the average. */
    public function proposed(): float
    {
        return array_sum($this->proposed) / max(1, count($this->proposed));
    }

    /** In the taught order. */
    public function inOrder(): float
    {
        return array_sum($this->inOrder) / max(1, count($this->inOrder));
    }

    /** Readings in the proposed order for one hundred in the taught order. */
    public function readings(): float
    {
        return (100.0 * $this->proposed()) / max(1.0, $this->inOrder());
    }

    /** @return array<string, array{value: float|null, met: bool|null}> by aim; null where there is too little to say */
    public function aims(): array
    {
        $aims = [];
        foreach (['' => $this->all, 'AsWanted' => $this->asked] as $of => $tally) {
            foreach ([State::Open, State::Short] as $state) {
                $wrong = $tally->wrong($state)[1];
                $aims['wrong'.ucfirst($state->value).$of] = [
                    'value' => $wrong,
                    'met' => null === $wrong ? null : $wrong < self::WRONG,
                ];
            }
        }
        $tenths = array_filter(
            $this->all->reliability(),
            static fn (array $tenth): bool => $tenth['verdicts'] >= self::FEWEST,
        );
        $off =
            [] === $tenths
                ? null
                : max(
                    array_map(
                        static fn (array $tenth): float => abs($tenth['stated'] - $tenth['happened']),
                        $tenths,
                    ),
                );
        $covered = $this->all->covered();

        return $aims + [
            'chances' => ['value' => $off, 'met' => null === $off ? null : $off <= self::POINTS],
            'intervals' => [
                'value' => $covered,
                'met' => null === $covered ? null : $covered >= self::COVERED[0] && $covered <= self::COVERED[1],
            ],
            'readings' => ['value' => $this->readings(), 'met' => $this->readings() <= self::READINGS],
        ];
    }
}
