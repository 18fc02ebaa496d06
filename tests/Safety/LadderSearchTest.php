<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Safety;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\History\Entry\BodyMeasured;
use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\History\Entry\DecisionMade;
use LucidAscent\Core\History\Entry\RungSeen;
use LucidAscent\Core\History\Entry\TestTaken;
use LucidAscent\Core\History\History;
use LucidAscent\Core\History\ReadHistory;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Step;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Tests\Core\SampleBody;
use LucidAscent\Tests\Core\Testing\Definition;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A side on a ladder of five rungs, over weeks of practice, walks, tests, a knee that hurts, a word that lifts it and
 * decisions, entered on their day or later: no rung is open after the word that by what was known at the stop, and what
 * was done since the tests, nobody may be on. 20,000 weeks, or as many as SAFETY_LADDERS says, out of SAFETY_SEED.
 */
final class LadderSearchTest extends TestCase
{
    private const LADDERS = 20_000;
    private const SEED = 20261129;
    private const NOW = 40;

    public function testNobodyGoesOnHigherThanOneRungBelowWhereItStopped(): void
    {
        $seed = (int) ($_SERVER['SAFETY_SEED'] ?? self::SEED);
        $many = (int) ($_SERVER['SAFETY_LADDERS'] ?? self::LADDERS);
        $random = new Randomizer(new Mt19937($seed));
        $lifted = $open = 0;
        for ($i = 0; $i < $many; ++$i) {
            $weeks = self::weeks($random);
            $isMeasuredThrough = 0 === $random->getInt(0, 2);
            $rungs = self::open($weeks, $isMeasuredThrough);
            $allowed = self::allowed($weeks, $isMeasuredThrough);
            $lifted += null === $allowed ? 0 : 1;
            foreach ($rungs as $rung) {
                $open += null !== $allowed && $rung > 0 ? 1 : 0;
                if (null !== $allowed && $rung > $allowed) {
                    self::fail("Seed $seed, weeks $i: rung $rung is open, and $allowed is the highest that may be.\n"
                        .implode("\n", array_map(static fn (array $one): string => implode(' ', $one), $weeks)));
                }
            }
        }
        // A search in which nothing was lifted, or nothing open, would have shown nothing.
        self::assertGreaterThan($many / 4, $lifted);
        self::assertGreaterThan($many / 40, $open);
    }

    public function testAFaultInTheStatementWouldBeSeen(): void
    {
        $pain = ['what' => 'pain', 'on' => 10, 'at' => 10, 'rung' => 3];
        $word = ['what' => 'word', 'on' => 12, 'at' => 12, 'rung' => 0];
        $test = ['what' => 'test', 'on' => 14, 'at' => 14, 'rung' => 0];
        $clean = static fn (int $rung, int ...$days): array => array_map(
            static fn (int $day): array => ['what' => 'clean', 'on' => $day, 'at' => $day, 'rung' => $rung],
            $days,
        );
        self::assertNull(self::allowed([$pain]));
        self::assertSame(0, self::allowed([$pain, $word]), 'Gentle work alone, before the tests.');
        self::assertSame(2, self::allowed([...$clean(3, 1), $pain, $word, $test]));
        self::assertSame(3, self::allowed([...$clean(3, 1), $pain, $word, $test, ...$clean(2, 15, 16, 17)]));
        self::assertSame(2, self::allowed([...$clean(3, 1), $pain, $word, $test, ...$clean(2, 11, 13, 17)]));
    }

    /**
     * The highest rung that may be open: said once more, out of plain arrays.
     *
     * @param list<array{what: string, on: int, at: int, rung: int, after?: int}> $weeks
     *
     * @return int|null null while nothing was lifted: then another search has it
     */
    private static function allowed(array $weeks, bool $isMeasuredThrough = false): ?int
    {
        $of = static fn (string $what): array => array_values(array_filter($weeks, static fn (array $one): bool => $what
            === $one['what']));
        [$pain, $word] = [$of('pain')[0] ?? null, $of('word')[0] ?? null];
        if (null === $pain || null === $word) {
            return null;
        }
        $tests = array_filter($of('test'), static fn (array $one): bool => $one['on'] >= $word['on']
            && $one['at'] > $word['at']);
        if ([] === $tests) {
            return 0;
        }
        $tested = min(array_column($tests, 'on'));
        // As high as anything speaks of that was known when it was told: nobody stood more than one rung above that.
        $known = array_column(array_filter($weeks, static fn (array $one): bool => $one['at'] < $pain['at']
            && in_array($one['what'], ['clean', 'seen', 'decided'], true)), 'rung');
        $isMeasured = $isMeasuredThrough && [] !== array_filter($of('test'), static fn (array $one): bool => $one['at']
            < $pain['at']);
        $known = [...$known, ...$isMeasured ? [4] : []];
        $isDone = [] !== $known || $pain['rung'] >= 0;
        if (!$isDone) {
            return 4;
        }
        $stopped = min([...[] === $known ? [] : [max($known) + 1], ...$pain['rung'] < 0 ? [] : [$pain['rung']], 4]);
        $highest = max(0, $stopped - 1);
        while ($highest < 4) {
            // The lowest is gentle, and waits for the word alone.
            $from = 0 === $highest ? $word['on'] : $tested;
            $since = static fn (array $one): bool => $highest === $one['rung'] && $one['on'] >= $from
                && $one['at'] >= $from && ($one['after'] ?? $one['on']) >= $from;
            $days = array_unique(array_column(array_filter($of('clean'), $since), 'on'));
            if (count($days) < 3 && [] === array_filter($of('decided'), $since)) {
                break;
            }
            ++$highest;
        }

        return $highest;
    }

    /**
     * @return list<array{what: string, on: int, at: int, rung: int, after?: int}> in no order; a rung below nought is
     *     none
     */
    private static function weeks(Randomizer $random): array
    {
        $pick = static fn (int ...$of): int => $of[$random->getInt(0, count($of) - 1)];
        $told = $random->getInt(8, 20);
        $word = $told + $random->getInt(1, 6);
        $weeks = [['what' => 'pain', 'on' => $told - $pick(0, 0, 0, 2), 'at' => $told,
            'rung' => $pick(-1, -1, 0, 2, 3)]];
        if (0 < $random->getInt(0, 4)) {
            $weeks[] = ['what' => 'word', 'on' => $word, 'at' => $word, 'rung' => 0];
        }
        $rung = $random->getInt(0, 3);
        for ($i = $random->getInt(4, 18); $i > 0; --$i) {
            $on = $random->getInt(0, self::NOW - 1);
            $what = ['clean', 'clean', 'clean', 'clean', 'test', 'seen', 'decided'][$random->getInt(0, 6)];
            $rung = max(0, min(4, $rung + $pick(0, 0, 0, 0, 1, -1)));
            // What was seen or tested is written down there and then; a log may wait on its device.
            $late = 'clean' === $what ? $pick(0, 0, 0, 3, 12, 25) : 0;
            $weeks[] = ['what' => $what, 'on' => $on, 'at' => min(self::NOW, $on + $late), 'rung' => $rung,
                'after' => 'decided' === $what ? max(0, $on - $pick(0, 0, 1, 4, 9)) : $on];
        }

        return $random->shuffleArray($weeks);
    }

    /**
     * @param list<array{what: string, on: int, at: int, rung: int, after?: int}> $weeks
     *
     * @return list<int> the rungs that may be practised
     */
    private static function open(array $weeks, bool $isMeasuredThrough): array
    {
        $rungs = [];
        for ($i = 0; $i < 5; ++$i) {
            $rungs[] = new RungDefinition("r$i", "r$i", null, ['rotation' => 10.0 + 8.0 * $i],
                new Work(0 === $i ? ['lying-rest'] : ['turn-out', 'knee-folded'], 0 === $i),
                isMeasuredThrough: $isMeasuredThrough);
        }
        $postures = ['turner' => new PostureDefinition('turner', 'Turner', [Ability::ExternalRotation], $rungs, [])];
        $tests = ['shins-stacked' => Definition::shinsStacked()];
        $entries = [new BodyMeasured('body', self::at(-1), self::at(-1), '', SampleBody::proportions())];
        foreach ($weeks as $i => $one) {
            $entries[] = self::entry($one, $i);
        }
        $person = (new ReadHistory($postures, $tests))->snapshot(new History($entries, ToolErrors::usual()),
            self::at(self::NOW)) ?? self::fail();
        $stand = (new ReadPoses($postures, $person, $tests))->of('turner', Side::Left)->onLadder();

        return array_values(array_filter(range(0, 4), static fn (int $rung): bool => [] === $stand->closing("r$rung")));
    }

    /** @param array{what: string, on: int, at: int, rung: int, after?: int} $one */
    private static function entry(array $one, int $i): Entry
    {
        [$at, $on, $rung] = [self::at($one['at']), self::at($one['on']), "r$one[rung]"];
        $clean = new ReadinessCheck($rung, $on, true, true, Pain::none(), at: $at);

        return match ($one['what']) {
            'pain' => new PainTold('pain', $at, $on, new Pain(4, PainPlace::Knee, PainKind::Ache), Side::Left,
                posture: $one['rung'] < 0 ? '' : 'turner', rung: $one['rung'] < 0 ? '' : $rung),
            'word' => new ClearanceGiven('word', $at, $on, ['pain'], ClearanceAuthority::Clinician, true),
            'test' => new TestTaken("test:$i", $at, $on, '', "test:$i", new TakenTest('shins-stacked', Side::Left,
                Tool::Tape, [['kneeHeight' => 14.0, 'ankleHeight' => 10.0]], on: $on, at: $at, id: "t$i")),
            'seen' => new RungSeen("seen:$i", $at, $on, '', 'turner', $rung, Side::Left, true, Pain::none(), [], false,
                $at),
            'decided' => new DecisionMade("decided:$i", $at, $on, '', 'turner', Side::Left, $rung,
                'r'.min(4, $one['rung'] + 1), Step::MoveOn, true,
                new ReadinessCheck($rung, self::at($one['after'] ?? 0),
                    true, true, Pain::none(), at: self::at($one['after'] ?? 0))),
            default => new CheckMade("check:$i", $at, $on, '', 'turner', Side::Left, $clean, null, [], Side::Left),
        };
    }

    private static function at(int $day): \DateTimeImmutable
    {
        static $days = [];

        return $days[$day] ??= (new \DateTimeImmutable('2026-01-01 12:00'))->modify("$day days");
    }
}
