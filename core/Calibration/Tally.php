<?php

declare(strict_types=1);

namespace LucidAscent\Core\Calibration;

use LucidAscent\Core\Readiness\State;

/** Verdicts and intervals counted against the truth. */
final class Tally
{
    private const TENTHS = 10;

    /** @var array<string, array{int, int}> how many there were, and how many of them were wrong, by state */
    private array $states = [];
    /**
     * @var array<int, array{int, float, int}> by tenth: how many, the sum of the chances that were stated, how many
     *     came true
     */
    private array $tenths = [];
    /**
     * @var array<string, array{int, int}> how many intervals there were, and how many held the truth, by what they are
     *     of
     */
    private array $intervals = [];

    public function verdict(State $state, bool $isSo, ?int $percent): void
    {
        [$many, $wrong] = $this->states[$state->value] ?? [0, 0];
        $this->states[$state->value] = [
            $many + 1,
            $wrong + ((State::Open === $state && !$isSo) || (State::Short === $state && $isSo) ? 1 : 0),
        ];
        if (null === $percent) {
            return;
        }
        $tenth = min(self::TENTHS - 1, intdiv($percent, 100 / self::TENTHS));
        [$n, $said, $true] = $this->tenths[$tenth] ?? [0, 0.0, 0];
        $this->tenths[$tenth] = [$n + 1, $said + $percent, $true + ($isSo ? 1 : 0)];
    }

    public function interval(string $of, bool $holds): void
    {
        [$many, $held] = $this->intervals[$of] ?? [0, 0];
        $this->intervals[$of] = [$many + 1, $held + ($holds ? 1 : 0)];
    }

    public function many(): int
    {
        return array_sum(array_column($this->states, 0));
    }

    /**
     * @return array{int, float|null} how many, and how many of them in percent were wrong; null where there were none
     */
    public function wrong(State $state): array
    {
        [$many, $wrong] = $this->states[$state->value] ?? [0, 0];

        return [$many, 0 === $many ? null : (100.0 * $wrong) / $many];
    }

    /** Of all verdicts, in percent. */
    public function share(State $state): float
    {
        return (100.0 * ($this->states[$state->value][0] ?? 0)) / max(1, $this->many());
    }

    /**
     * @return list<array{from: int, to: int, verdicts: int, stated: float, happened: float}> in percent; the tenths
     *     that were stated at all
     */
    public function reliability(): array
    {
        ksort($this->tenths);
        $rows = [];
        foreach ($this->tenths as $tenth => [$n, $said, $true]) {
            $rows[] = [
                'from' => 10 * $tenth,
                'to' => 10 * $tenth + 10,
                'verdicts' => $n,
                'stated' => $said / $n,
                'happened' => (100.0 * $true) / $n,
            ];
        }

        return $rows;
    }

    /** @return array<string, array{intervals: int, covered: float}> in percent, by what they are of */
    public function coverage(): array
    {
        ksort($this->intervals);

        return array_map(
            static fn (array $of): array => ['intervals' => $of[0], 'covered' => (100.0 * $of[1]) / $of[0]],
            $this->intervals,
        );
    }

    /** Of all intervals, in percent; null where there were none. */
    public function covered(): ?float
    {
        $many = array_sum(array_column($this->intervals, 0));

        return 0 === $many ? null : (100.0 * array_sum(array_column($this->intervals, 1))) / $many;
    }
}
