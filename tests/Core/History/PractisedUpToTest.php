<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\History;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\EvidenceCutOff;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\History\PractisedUpTo;
use LucidAscent\Core\Practice\ClosedTime;
use LucidAscent\Core\Practice\ReadinessCheck;
use PHPUnit\Framework\TestCase;

/** A right knee that hurt on the third of March, was lifted on the sixth and tested on the seventh. */
final class PractisedUpToTest extends TestCase
{
    public function testWhatCameBeforeAWordOfThisSideCountsNoMore(): void
    {
        $checks = [self::check('02'), self::check('05'), self::check('06'), self::check('08')];
        $last = self::check('09');
        self::assertSame(['08', '09'], self::days($last, $checks, [Side::Right]));
        self::assertSame(['02', '05', '06', '08', '09'], self::days($last, $checks, [Side::Left]),
            'The other side was never stopped.');
        self::assertSame(['08', '09'], self::days($last, $checks, Side::cases()),
            'Where nobody says which side, either may have been.');
        self::assertSame(['06', '08', '09'], self::days($last, $checks, [Side::Right], new Work([], true)),
            'What is gentle waits for no tests.');
        self::assertSame(['05'], self::days(self::check('05'), [self::check('02')], [Side::Right]),
            'The check itself is there always.');
    }

    public function testWhatCameAfterACheckIsNotPartOfIt(): void
    {
        self::assertSame(['02', '05'], self::days(self::check('05'), [self::check('02'), self::check('08')],
            [Side::Left]));
        $late = self::check('02', entered: '09');
        self::assertSame(['05'], self::days(self::check('05'), [$late], [Side::Left]), 'Nor what was entered later.');
        $ahead = self::check('08', entered: '04');
        self::assertSame(['05'], self::days(self::check('05'), [$ahead], [Side::Left]), 'Nor of a later day.');
        $beside = self::check('05', isClean: false);
        self::assertFalse(PractisedUpTo::check(self::check('05'), [$beside], [])[0]->isClean(),
            'Another of that moment is, and of one day the worst.');
    }

    public function testOfOneDayTheWorst(): void
    {
        $bad = self::check('02', isClean: false);
        self::assertSame([false, true], array_map(static fn (ReadinessCheck $check): bool => $check->isClean(),
            PractisedUpTo::check(self::check('05'), [self::check('02'), $bad], [])));
    }

    /**
     * @param list<CheckMade> $checks
     * @param list<Side> $sides
     *
     * @return list<string>
     */
    private static function days(CheckMade $last, array $checks, array $sides, Work $work = new Work([])): array
    {
        $at = static fn (string $day): \DateTimeImmutable => new \DateTimeImmutable("2026-03-$day 10:00");
        $holds = Holds::of([
            new PainTold('p', $at('03'), $at('03'), new Pain(4, PainPlace::Knee), Side::Right),
            new ClearanceGiven('w', $at('06'), $at('06'), ['p'], ClearanceAuthority::Clinician, true),
        ], $at('20'));

        $closed = array_map(static fn (Side $side): array => ClosedTime::all($holds, $side, ['low' => $work],
            static fn (): EvidenceCutOff => new EvidenceCutOff($at('07'), $at('07'))), $sides);

        return array_map(static fn (ReadinessCheck $check): string => $check->on->format('d'),
            PractisedUpTo::check($last, [...$checks, $last], array_merge(...$closed)));
    }

    private static function check(string $day, bool $isClean = true, ?string $entered = null): CheckMade
    {
        $on = new \DateTimeImmutable("2026-03-$day 12:00");
        $at = null === $entered ? $on : new \DateTimeImmutable("2026-03-$entered 12:00");

        return new CheckMade("c$day", $at, $on, '', 'fold', Side::Right,
            new ReadinessCheck('low', $on, $isClean, true, Pain::none(), at: $at), null, [], Side::Right);
    }
}
