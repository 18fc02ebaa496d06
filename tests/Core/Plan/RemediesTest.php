<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Plan;

use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Plan\PracticeLevel;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Plan\Remedies;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Posture\RungDefinition;
use PHPUnit\Framework\TestCase;

/** Which shapes there are for what is short. */
final class RemediesTest extends TestCase
{
    public function testEachRemedyTakesItsTurnAndWhatIsForAnyoneComesFirst(): void
    {
        $ladders = [
            'learned' => self::ladder(['rotation'], PracticeLevel::TeacherFirst),
            'turn-a' => self::ladder(['rotation']),
            'turn-b' => self::ladder(['rotation', 'abduction']),
            'wide' => self::ladder(['abduction']),
            'deep' => self::ladder(['rotation'], isGentle: false),
            'practised' => self::ladder(['rotation'], PracticeLevel::Practised),
            'years' => self::ladder(['rotation'], PracticeLevel::Years),
            'there' => self::ladder(['rotation']),
            'other' => self::ladder(['balance']),
        ];
        self::assertSame(['turn-a' => 'rotation', 'turn-b' => 'abduction', 'wide' => 'abduction',
            'learned' => 'rotation'], Remedies::shapes(['rotation', 'abduction'], $ladders, ['there']));
        self::assertSame([], Remedies::shapes([], $ladders, []));
    }

    /** @param list<string> $remedies */
    private static function ladder(
        array $remedies,
        PracticeLevel $level = PracticeLevel::Anyone,
        bool $isGentle = true,
    ): array {
        return [new PracticeRung('p', 'P', new RungDefinition('r', 'R', null, [], new Work([], $isGentle)),
            Stance::Lying, [], [], false, remedies: $remedies, level: $level)];
    }
}
