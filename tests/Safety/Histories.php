<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Safety;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Allowance;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Ending;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\EnteredByMistake;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Entry\StopDecided;
use LucidAscent\Core\Caution\Exemption;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Histories out of a seed, as plain arrays, and as the judge takes them. */
final class Histories
{
    private const PLACES = ['knee', 'inner-knee', 'groin', 'outer-hip', 'low-back', 'neck', 'sitting-bone', 'tailbone',
        'ankle', 'elsewhere', 'spleen'];
    private const KINDS = ['stretch', 'ache', 'ache', 'ache', 'sharp', 'pinching', 'burning', 'lasting-numbness',
        'clicking', 'odd'];
    private const CONDITIONS = ['operated', 'replaced', 'osteoporosis', 'nobody knows', 'sore today'];
    public const LAST = 40;

    private readonly Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** @return list<array<string, mixed>> in no order */
    public function next(): array
    {
        $history = [];
        $count = $this->random->getInt(1, 4);
        for ($i = 0; $i < $count; ++$i) {
            $history[] = $this->entry("e$i");
        }
        $words = $this->random->getInt(0, 3);
        for ($i = 0; $i < $words; ++$i) {
            $at = $this->day();
            $history[] = 0 === $this->random->getInt(0, 3)
                ? ['type' => 'slip', 'id' => "s$i", 'at' => $at, 'on' => $at, 'side' => null,
                    'names' => $this->pick(array_column($history, 'id')), 'by' => $this->pick(['t', 'u']),
                    'why' => $this->pick(['', 'a slip', 'a slip'])]
                : ['type' => 'word', 'id' => "w$i", 'at' => $at, 'on' => $at - $this->pick([0, 0, 0, 3, -4]),
                    'side' => null, 'names' => array_values(array_unique([$this->pick(array_column($history, 'id')),
                        $this->pick(array_column($history, 'id'))])), 'who' => $this->pick(['teacher', 'clinician']),
                    'asked' => 0 < $this->random->getInt(0, 3), 'by' => $this->pick(['t', 'u']),
                    'allows' => $this->pick(['all', 'all', 'gentle', 'no turning', 'knee to 100', 'nothing'])];
        }

        return $this->random->shuffleArray($history);
    }

    public function day(): int
    {
        return $this->random->getInt(0, self::LAST);
    }

    /**
     * @param list<array<string, mixed>> $history
     *
     * @return list<Entry>
     */
    public static function entries(array $history): array
    {
        return array_map(self::one(...), $history);
    }

    public static function moment(int $day): \DateTimeImmutable
    {
        static $moments = [];

        return $moments[$day] ??= (new \DateTimeImmutable('2026-01-01'))->modify("$day days");
    }

    public static function work(string $shape): Work
    {
        return match ($shape) {
            'turn' => new Work(['turn-out', 'knee-folded'], angles: ['kneeFlexion' => 140.0]),
            'fold' => new Work(['loaded-fold', 'knee-folded'], angles: ['kneeFlexion' => 95.0]),
            'backbend' => new Work(['backbend', 'weight-on-knee']),
            'head-back' => new Work(['neck', 'knee-folded']),
            'leg raise' => new Work(['hamstring-end']),
            'child' => new Work(['lying-rest', 'knee-folded'], true),
            default => new Work(['lying-rest', 'on-the-back'], true),
        };
    }

    /** @return array<string, mixed> */
    private function entry(string $id): array
    {
        $at = $this->day();
        $on = $at - $this->pick([0, 0, 0, 0, 2, -5]);
        $common = ['id' => $id, 'at' => $at, 'on' => $on, 'side' => $this->pick(['left', 'right', 'left', 'right',
            null]), 'by' => $this->pick(['t', 'u'])];

        return match ($this->random->getInt(0, 5)) {
            0 => ['type' => 'stop', 'painless' => 0 < $this->random->getInt(0, 1)] + $common,
            1 => ['type' => 'condition', 'what' => $this->pick(self::CONDITIONS)] + $common,
            default => ['type' => 'pain', 'place' => $this->pick(self::PLACES), 'kind' => $this->pick(self::KINDS),
                'level' => $this->pick([0, 0, 1, 1, 2, 3, 4, 5, 6, 9]),
                'during' => $this->pick(['a fold', 'a turn', null])] + $common,
        };
    }

    /** @param array<string, mixed> $e */
    private static function one(array $e): Entry
    {
        [$at, $on, $side] = [self::moment($e['at']), self::moment($e['on']), Side::tryFrom((string) $e['side'])];

        return match ($e['type']) {
            'pain' => new PainTold($e['id'], $at, $on, new Pain($e['level'], PainPlace::named($e['place']),
                PainKind::named($e['kind'])), $side, match ($e['during']) {
                    'a fold' => new Work(['loaded-fold']),
                    'a turn' => new Work(['turn-out']),
                    default => null,
                }, by: $e['by']),
            'stop' => new StopDecided($e['id'], $at, $on, $side, $e['painless'], by: $e['by']),
            'condition' => new ConditionTold($e['id'], $at, $on, match ($e['what']) {
                'operated' => Condition::everything('operated', 'Operated'),
                'replaced' => Condition::everything('replaced', 'Replaced', Exemption::LyingRest),
                'osteoporosis' => new Condition('osteoporosis', 'Osteoporosis', ['loaded-fold', 'twist']),
                'sore today' => new Condition('sore', 'Sore', [], gentleOnly: true, ending: Ending::Day),
                default => Condition::unknown('x'),
            }, $side, by: $e['by']),
            'word' => new ClearanceGiven($e['id'], $at, $on, $e['names'], ClearanceAuthority::from($e['who']),
                $e['asked'], $e['by'], match ($e['allows']) {
                    'gentle' => new Allowance(isGentle: true),
                    'no turning' => new Allowance(without: ['turn-out']),
                    'knee to 100' => new Allowance(upTo: ['kneeFlexion' => 100.0]),
                    'nothing' => Allowance::nothing(),
                    default => new Allowance(),
                }),
            default => new EnteredByMistake($e['id'], $at, $e['names'], $e['by'], $e['why']),
        };
    }

    /**
     * @template T
     *
     * @param list<T> $of
     *
     * @return T
     */
    private function pick(array $of): mixed
    {
        return $of[$this->random->getInt(0, count($of) - 1)];
    }
}
