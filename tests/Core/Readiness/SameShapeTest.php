<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Entry\ClearanceGiven;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Readiness\ReadPoses;
use PHPUnit\Framework\TestCase;

/** Two ladders of two rungs: the first rung of "tall" is the first of "short". */
final class SameShapeTest extends TestCase
{
    public function testWhatWasSeenOnOneLadderIsNotAskedAgainOnAnother(): void
    {
        self::assertSame('low', self::standsOn([]));
        self::assertSame('high', self::standsOn([self::seen('short', 'low')]));
        self::assertSame('high', self::standsOn([self::seen('short', 'high')]), 'Nor where more was seen there.');
        self::assertSame('low', self::standsOn([self::seen('other', 'low')]));
        self::assertSame('low', self::standsOn([new Seen('short', 'low', Side::Left, true,
            new \DateTimeImmutable('2026-03-05'), isPractice: true)]), 'Practice passes its own ladder.');
        self::assertSame('low', self::standsOn([self::seen('short', 'low'), new Seen('short', 'low', Side::Left, false,
            new \DateTimeImmutable('2026-03-06'))]), 'A newer try that was not clean counts.');
    }

    public function testAfterAWordEachLadderGoesByItsOwn(): void
    {
        $day = static fn (string $day): \DateTimeImmutable => new \DateTimeImmutable("2026-03-$day");
        $entries = [
            new PainTold('p', $day('01'), $day('01'), new Pain(2, PainPlace::SittingBone, PainKind::Ache), Side::Left),
            new ClearanceGiven('w', $day('04'), $day('04'), ['p'], ClearanceAuthority::Clinician),
        ];
        self::assertSame('low', self::standsOn([self::seen('short', 'low')], $entries));
    }

    /**
     * @param list<Seen> $seen
     * @param list<Entry> $entries
     */
    private static function standsOn(array $seen, array $entries = []): ?string
    {
        $rung = static fn (string $id): RungDefinition => new RungDefinition($id, $id, null, [], new Work([], true));
        $posture = static fn (string $id, array $same): PostureDefinition => (new PostureDefinition($id, $id, [],
            [$rung('low'), $rung('high')], []))->among([], $same);
        $poses = new ReadPoses(['tall' => $posture('tall', ['low' => [['short', 'low'], ['short', 'high']]]),
            'short' => $posture('short', []), 'other' => $posture('other', [])], Person::of([], seen: $seen,
                entries: $entries), []);

        return $poses->of('tall', Side::Left)->onLadder()->rung?->rung->id;
    }

    private static function seen(string $posture, string $rung): Seen
    {
        return new Seen($posture, $rung, Side::Left, true, new \DateTimeImmutable('2026-03-05'));
    }
}
