<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Progress\Trend;
use LucidAscent\Core\Testing\SmallestChange;

/**
 * Where everything of one picture of months lies, in the picture's own units: readings with their bars, the trend with
 * its band, lines of what is asked, sessions and pains.
 */
final readonly class TimeChart
{
    private const WIDTH = 560;
    private const HEIGHT = 240;
    private const LEFT = 12;
    private const RIGHT = 46;
    private const TOP = 12;
    private const BOTTOM = 46;
    private const BAND = 12;
    /** Names nearer to each other than this would lie on one another: they stand in one line. */
    private const NAME = 13.0;
    /** The least that a picture spans, in days and in the unit of what is read. */
    private const DAYS = 30.0;
    private const ROOM = 0.08;

    /**
     * @param non-empty-list<array{on: \DateTimeImmutable, value: float, error: float, isBound: bool,
     *     test: string}> $readings the oldest first
     * @param float $turn one, or less than nothing where the trend is of what is turned over
     * @param list<array{pose: string, asked: float, isHeld: bool}> $asked in the readings' unit
     * @param list<string> $sessions days of practice
     * @param list<array{on: string, place: string, level: int, side: string}> $pains
     *
     * @param \DateTimeImmutable|null $from where the scale of time begins, if readings do not begin before it
     *
     * @return array<string, mixed>
     */
    public static function of(
        array $readings,
        ?Trend $trend,
        float $turn,
        array $asked,
        array $sessions,
        array $pains,
        \DateTimeImmutable $now,
        ?\DateTimeImmutable $from = null,
    ): array {
        $day = static fn (\DateTimeImmutable|string $on): float => (float) -Day::between(
            is_string($on) ? new \DateTimeImmutable($on) : $on,
            $now,
        );
        $first = min([
            -self::DAYS,
            null === $from ? 0.0 : $day($from),
            ...array_map(static fn (array $one): float => $day($one['on']), $readings),
        ]);
        // A bound far from what was read exactly is drawn on the edge, and makes the picture no larger.
        $exact = array_values(array_filter($readings, static fn (array $one): bool => !$one['isBound']));
        $shown = [] === $exact ? $readings : $exact;
        $low = min([
            $shown[0]['value'],
            ...array_map(
                static fn (array $one): float => $one['value'] - SmallestChange::between($one['error']),
                $shown,
            ),
            ...array_column($asked, 'asked'),
        ]);
        $high = max([
            $shown[0]['value'],
            ...array_map(
                static fn (array $one): float => $one['value'] + SmallestChange::between($one['error']),
                $shown,
            ),
            ...array_column($asked, 'asked'),
        ]);
        $room = max(1.0, self::ROOM * ($high - $low));
        [$low, $high] = [$low - $room, $high + $room];
        $x = static fn (float $days): float => round(
            self::LEFT + ((self::WIDTH - self::LEFT - self::RIGHT) * ($days - $first)) / -$first,
            1,
        );
        $y = static fn (float $value): float => round(
            self::HEIGHT -
                self::BOTTOM -
                ((self::HEIGHT - self::TOP - self::BOTTOM) * (max($low, min($high, $value)) - $low)) / ($high - $low),
            1,
        );
        $band = [];
        for ($i = 0; null !== $trend && $i <= self::BAND; ++$i) {
            $at = $trend->at($first * (1.0 - $i / self::BAND));
            [$least, $most] = $at->interval();
            $band[] = [
                'x' => $x($first * (1.0 - $i / self::BAND)),
                'y' => $y($turn * $at->mean()),
                'low' => $y($turn * $least),
                'high' => $y($turn * $most),
            ];
        }
        $isIn = static fn (string $on): bool => $day($on) >= $first && $day($on) <= 0.0;

        return [
            'width' => self::WIDTH,
            'height' => self::HEIGHT,
            'foot' => self::HEIGHT - self::BOTTOM,
            'edge' => self::WIDTH - self::RIGHT,
            'points' => array_map(
                static fn (array $one): array => [
                    ...$one,
                    'on' => Day::of($one['on']),
                    'isOff' => $one['value'] < $low || $one['value'] > $high,
                    'x' => $x($day($one['on'])),
                    'y' => $y($one['value']),
                    'low' => $y($one['value'] - SmallestChange::between($one['error'])),
                    'high' => $y($one['value'] + SmallestChange::between($one['error'])),
                ],
                $readings,
            ),
            'band' => $band,
            'asked' => self::lines($asked, $y),
            'sessions' => array_map(
                static fn (string $on): float => $x($day($on)),
                array_values(array_filter($sessions, $isIn)),
            ),
            'pains' => array_map(
                static fn (array $one): array => $one + ['x' => $x($day($one['on']))],
                array_values(array_filter($pains, static fn (array $one): bool => $isIn($one['on']))),
            ),
            'from' => Day::of($now->modify(sprintf('%d days', (int) $first))),
            'to' => Day::of($now),
            'low' => ['value' => $low, 'y' => $y($low)],
            'high' => ['value' => $high, 'y' => $y($high)],
        ];
    }

    /**
     * @param list<array{pose: string, asked: float, isHeld: bool}> $asked
     * @param \Closure(float): float $y
     *
     * @return list<array{y: float, name: string}> what each asks, with the names that stand at it
     */
    private static function lines(array $asked, \Closure $y): array
    {
        $lines = [];
        foreach ($asked as $one) {
            $at = $y($one['asked']);
            $name = $one['pose'];
            foreach ($lines as $i => $line) {
                if ('' !== $line['name'] && abs($line['y'] - $at) < self::NAME) {
                    $lines[$i]['name'] .= ', '.$name;
                    $name = '';
                    break;
                }
            }
            $lines[] = ['y' => $at, 'name' => $name];
        }

        return $lines;
    }
}
