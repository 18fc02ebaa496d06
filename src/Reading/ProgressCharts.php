<?php

declare(strict_types=1);

namespace LucidAscent\App\Reading;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Progress\AbilityProgress;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Evidence;
use Psr\Clock\ClockInterface;

/** One picture for each ability and side: what was read, the trend with its band, what the wanted poses ask; and it in words. */
final readonly class ProgressCharts
{
    private const WIDTH = 560;
    private const HEIGHT = 220;
    private const EDGE = 34;
    private const BAND = 24;
    private const DAY = 86400;
    /** A reading's bar goes so many SD up and down: nineteen of twenty lie within. */
    private const SDS = 1.96;

    public function __construct(private PersonOn $person, private Catalogue $catalogue, private Wanted $wanted, private ClockInterface $clock)
    {
    }

    /** @return list<array<string, mixed>> by ability, those with most readings first */
    public function of(Practitioner $practitioner, ReadPoses $poses): array
    {
        $now = $this->clock->now();
        $series = $this->person->series($practitioner, $poses->person->proportions);
        $charts = [];
        foreach (Ability::cases() as $ability) {
            $sides = [];
            foreach (Side::cases() as $side) {
                $readings = array_values(array_filter($series[$side->value], static fn (Evidence $one): bool => $one->ability === $ability && null !== $one->on));
                if ([] !== $readings) {
                    $sides[$side->value] = $this->side($ability, $side, $readings, $now, $this->asked($ability, $side, $practitioner, $poses));
                }
            }
            if ([] !== $sides) {
                $charts[] = ['ability' => $ability->value, 'unit' => $ability->unit(), 'sides' => $sides];
            }
        }
        usort($charts, static fn (array $a, array $b): int => array_sum(array_column($b['sides'], 'many')) <=> array_sum(array_column($a['sides'], 'many')));

        return $charts;
    }

    /** A test by its name; of what was seen, the rung. */
    private function where(string $read): string
    {
        [, $posture, $rung] = explode(' ', $read) + [1 => '', 2 => ''];

        return $this->catalogue->tests()[$read]->name ?? implode(', ', array_filter([$this->catalogue->names(Kind::Posture)[$posture] ?? $read, lcfirst($this->catalogue->named("$posture/$rung")['name'] ?? '')], static fn (string $part): bool => '' !== $part));
    }

    /** @return list<array{pose: string, asked: float, isHeld: bool}> what the wanted poses ask, the most first */
    private function asked(Ability $ability, Side $side, Practitioner $practitioner, ReadPoses $poses): array
    {
        $asked = [];
        foreach ($this->wanted->of($practitioner) as $pose) {
            $full = $poses->of($pose, $side)->full();
            $margin = $full->ofOwnLeg($ability);
            if (null !== $margin) {
                $asked[] = ['pose' => $poses->postures[$pose]->name, 'asked' => $margin->asked, 'isHeld' => [] !== $full->heldBy];
            }
        }
        usort($asked, static fn (array $a, array $b): int => $b['asked'] <=> $a['asked']);

        return $asked;
    }

    /**
     * @param non-empty-list<Evidence> $readings
     * @param list<array{pose: string, asked: float, isHeld: bool}> $asked
     *
     * @return array<string, mixed>
     */
    private function side(Ability $ability, Side $side, array $readings, \DateTimeImmutable $now, array $asked): array
    {
        usort($readings, static fn (Evidence $a, Evidence $b): int => $a->on <=> $b->on);
        $goal = $asked[0] ?? null;
        $progress = AbilityProgress::of($ability, $readings, $now, $goal['asked'] ?? null, $goal['isHeld'] ?? false);
        $day = static fn (?\DateTimeImmutable $on): float => (($on ?? $now)->getTimestamp() - $now->getTimestamp()) / self::DAY;
        $first = min($day($readings[0]->on), -30.0);
        $lines = array_column($asked, 'asked');
        $low = min([...array_map(static fn (Evidence $one): float => $one->value - self::SDS * $one->uncertainty->readingError(), $readings), ...$lines]);
        $high = max([...array_map(static fn (Evidence $one): float => $one->value + self::SDS * $one->uncertainty->readingError(), $readings), ...$lines]);
        $room = max(1.0, 0.08 * ($high - $low));
        [$low, $high] = [$low - $room, $high + $room];
        $x = static fn (float $days): float => round(self::EDGE + (self::WIDTH - 2 * self::EDGE) * ($days - $first) / max(1.0, -$first), 1);
        $y = static fn (float $value): float => round(self::HEIGHT - self::EDGE / 2 - (self::HEIGHT - self::EDGE) * ($value - $low) / ($high - $low), 1);
        $band = [];
        for ($i = 0; null !== $progress->trend && $i <= self::BAND; ++$i) {
            $at = $progress->trend->at($first * (1.0 - $i / self::BAND));
            $within = static fn (float $value): float => max($low, min($high, $value));
            $band[] = ['x' => $x($first * (1.0 - $i / self::BAND)), 'y' => $y($within($at->mean())), 'low' => $y($within($at->quantile(0.025))), 'high' => $y($within($at->quantile(0.975)))];
        }

        return [
            'many' => count($readings),
            'progress' => $progress,
            'side' => $side->value,
            'points' => array_map(fn (Evidence $one): array => ['x' => $x($day($one->on)), 'y' => $y($one->value), 'low' => $y($one->value - self::SDS * $one->uncertainty->readingError()), 'high' => $y($one->value + self::SDS * $one->uncertainty->readingError()), 'isBound' => Bound::Exact !== $one->bound, 'on' => Day::of($one->on ?? $now), 'value' => $one->value, 'error' => $one->uncertainty->readingError(), 'test' => $this->where($one->test)], $readings),
            'band' => $band,
            'asked' => array_map(static fn (array $one): array => $one + ['y' => $y($one['asked'])], $asked),
            'from' => Day::of($now->modify(sprintf('%d days', (int) $first))),
            'to' => Day::of($now),
            'low' => ['value' => $low, 'y' => $y($low)],
            'high' => ['value' => $high, 'y' => $y($high)],
            'width' => self::WIDTH,
            'height' => self::HEIGHT,
        ];
    }
}
