<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Practice;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\EvidenceCutOff;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Practice\Seen;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ReadinessCheckTest extends TestCase
{
    #[DataProvider('sessions')]
    public function testACleanSession(ReadinessCheck $check, bool $isClean, ?bool $isSeenClean): void
    {
        self::assertSame($isClean, $check->isClean());
        self::assertSame($isSeenClean, Seen::ofCheck('half-lotus', Side::Left, $check)?->isClean);
    }

    /**
     * @return iterable<string, array{ReadinessCheck, bool, bool|null}> whether it is clean, and what it shows of the
     *     rung
     */
    public static function sessions(): iterable
    {
        $on = new \DateTimeImmutable('2026-03-02');
        $with = static fn (bool $hold = true, bool $breath = true, ?Pain $pain = null, array $seen = [],
            bool $sore = false): ReadinessCheck => new ReadinessCheck('low', $on, $hold, $breath, $pain ?? Pain::none(),
                $seen, $sore);
        yield 'clean' => [$with(), true, true];
        yield 'not held' => [$with(hold: false), false, false];
        yield 'uneven breath' => [$with(breath: false), false, false];
        yield 'a compensation' => [$with(seen: ['foot-sickles']), false, false];
        yield 'a night disturbed' => [$with(sore: true), false, false];
        yield 'a mild ache of 2: clean practice, and no proof' => [$with(pain: new Pain(2, PainPlace::OuterHip,
            PainKind::Ache)), true, null];
        yield 'an ache of 3' => [$with(pain: new Pain(3, PainPlace::OuterHip, PainKind::Ache)), false, false];
        yield 'a sharp 1' => [$with(pain: new Pain(1, PainPlace::OuterHip, PainKind::Sharp)), false, false];
        yield 'an ache of 1 in the knee' => [$with(pain: new Pain(1, PainPlace::Knee, PainKind::Ache)), false, false];
    }

    public function testOfOneDayTheWorstCountsForItsRungAlone(): void
    {
        $on = static fn (int $day): \DateTimeImmutable => new \DateTimeImmutable("2026-03-0$day");
        $clean = new ReadinessCheck('low', $on(2), true, true, Pain::none());
        $ache = new ReadinessCheck('low', $on(2), true, true, new Pain(3, PainPlace::OuterHip, PainKind::Ache));
        $more = new ReadinessCheck('low', $on(2), true, true, new Pain(4, PainPlace::OuterHip, PainKind::Ache));
        $knee = new ReadinessCheck('low', $on(2), true, true, new Pain(1, PainPlace::Knee, PainKind::Ache));
        $short = new ReadinessCheck('low', $on(2), false, true, Pain::none());
        $uneven = new ReadinessCheck('low', $on(2), true, false, Pain::none());
        $twisted = new ReadinessCheck('low', $on(2), true, true, Pain::none(), ['foot-sickles']);
        $high = new ReadinessCheck('high', $on(2), true, true, Pain::none());
        $earlier = new ReadinessCheck('low', $on(1), true, true, Pain::none());
        self::assertSame([$earlier, $clean, $high], ReadinessCheck::worstOfEachDay([$clean, $high, $earlier]));
        // From the worst to the best; whichever comes first, the worse stays.
        $order = [$knee, $more, $ache, $twisted, $short, $uneven, $clean];
        foreach ($order as $i => $worse) {
            foreach (array_slice($order, $i + 1) as $better) {
                self::assertSame([$worse], ReadinessCheck::worstOfEachDay([$worse, $better]), "$i first");
                self::assertSame([$worse], ReadinessCheck::worstOfEachDay([$better, $worse]), "$i last");
            }
        }
    }

    public function testWhatAWordMakesOld(): void
    {
        $since = new EvidenceCutOff(new \DateTimeImmutable('2026-03-05 10:00'), new \DateTimeImmutable('2026-03-04'));
        $on = static fn (string $day): \DateTimeImmutable => new \DateTimeImmutable($day);
        self::assertFalse($since->isBefore(null));
        self::assertFalse($since->isBefore($on('2026-03-04')), 'Known by its day alone, it has to be a later one.');
        self::assertTrue($since->isBefore($on('2026-03-05')));
        self::assertTrue($since->isBefore($on('2026-03-04'), $on('2026-03-05 10:01')),
            'The day of the word itself, entered after it.');
        self::assertFalse($since->isBefore($on('2026-03-04'), $on('2026-03-05 10:00')));
        self::assertFalse($since->isBefore($on('2026-03-03'), $on('2026-03-06 10:00')),
            'Entered afterwards, of a day before.');
        self::assertFalse($since->isBefore($on('2026-03-06'), $on('2026-03-05 09:00')),
            'Entered before, whatever day it names.');
    }
}
