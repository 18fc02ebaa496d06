<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Exchange\AssessAnswer;
use LucidAscent\App\Exchange\LogList;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\ConditionTold;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\Practice\Passes;
use LucidAscent\Core\Practice\ReadinessCheck;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;

/** What was practised, told in a document. */
final class LogListTest extends KernelTestCase
{
    private const TODAY = '2026-03-10';

    public function testALogIsAReadinessCheckOfEachOfItsItems(): void
    {
        $logs = self::logs([['on' => '2026-03-03', 'items' => [
            ['posture' => 'half-lotus', 'rung' => 'hip-circle', 'side' => 'left', 'holdReached' => true,
                'evenBreath' => true],
            ['posture' => 'pigeon', 'rung' => 'slanted', 'side' => 'both', 'clean' => true],
            ['posture' => 'half-lotus', 'rung' => 'lying-half-lotus', 'side' => 'right', 'holdReached' => true,
                'evenBreath' => false],
        ]], ['on' => '2026-03-05', 'posture' => 'half-lotus', 'rung' => 'hip-circle', 'side' => 'left', 'clean' => true,
            'compensations' => ['pelvis']]]);
        self::assertSame(['half-lotus left', 'pigeon left', 'pigeon right', 'half-lotus right'],
            array_keys(self::checks($logs)));
        self::assertSame([true, false], array_map(static fn (ReadinessCheck $check): bool => $check->isClean(),
            self::checks($logs)['half-lotus left']));
        self::assertCount(5, $logs->entries);
        self::assertSame([], $logs->unread);
    }

    public function testWhatIsRepeatedProvesNoRungAndItsPainHolds(): void
    {
        $logs = self::logs([['on' => '2026-03-03', 'items' => [['drill' => 'hip-circle-stops',
            'posture' => 'half-lotus', 'rung' => 'hip-circle', 'side' => 'left', 'clean' => true,
            'pain' => ['level' => 2, 'place' => 'knee', 'kind' => 'ache']]]]]);
        self::assertSame([], self::checks($logs));
        self::assertCount(1, $logs->entries);
        self::assertInstanceOf(PainTold::class, $logs->entries[0]);
        self::assertSame(Side::Left, $logs->entries[0]->side);
    }

    public function testThreeCleanSessionsPassARungAndADayToComePassesNothing(): void
    {
        $passed = static fn (array $days): array => Passes::of(['easy-cross-leg', 'mid-thigh-on-block'],
            self::checks(self::logs(array_map(static fn (string $day): array => ['on' => $day,
                'posture' => 'half-lotus', 'rung' => 'mid-thigh-on-block', 'side' => 'left', 'clean' => true],
                $days)))['half-lotus left'], [], [], [], self::today());
        self::assertSame([], $passed(['2026-03-03', '2026-03-05']));
        self::assertSame(['mid-thigh-on-block'], $passed(['2026-03-03', '2026-03-05', '2026-03-07']));
        self::assertSame([], $passed(['2026-03-03', '2026-03-05', '2026-03-11']), 'That day has not been.');
        self::assertSame([], $passed(['2026-03-05', '2026-03-05', '2026-03-05']),
            'Three times on one day is one session.');
    }

    /** A rung that was practised clean is told of in the answer, as any that was seen. */
    public function testAnAssessmentReadsThem(): void
    {
        $answer = json_decode((string) json_encode(self::getContainer()->get(AssessAnswer::class)
            ->of(Fields::of(['on' => self::TODAY, 'body' => ['stature' => 170], 'wanted' => ['half-lotus'],
                'tests' => [], 'sessions' => [['on' => '2026-03-08', 'posture' => 'half-lotus',
                    'rung' => 'seated-half-lotus', 'side' => 'left', 'clean' => true]]]))), true);
        self::assertSame(['open', 'unknown'], [$answer['poses']['half-lotus']['left']['state'],
            $answer['poses']['half-lotus']['right']['state']]);
    }

    public function testASleepDisturbedLeavesGentleWorkThatDay(): void
    {
        $logs = self::logs([['on' => self::TODAY, 'soreAtNight' => true,
            'items' => [['posture' => 'pigeon', 'rung' => 'slanted', 'side' => 'left', 'clean' => true]]]]);
        self::assertSame(['sore-today'],
            array_values(array_map(static fn (ConditionTold $told): string => $told->condition->id,
                array_filter($logs->entries, static fn (Entry $entry): bool => $entry instanceof ConditionTold))));
        self::assertFalse(self::checks($logs)['pigeon left'][0]->isClean());
    }

    public function testWhatCannotBeReadIsNamedAndSpoilsNoOther(): void
    {
        $fine = ['posture' => 'pigeon', 'rung' => 'slanted', 'side' => 'left', 'clean' => true];
        foreach ([['rung' => 'no-such'] + $fine, ['side' => 'up'] + $fine, ['clean' => 'yes'] + $fine, 'words',
            null] as $item) {
            $logs = self::logs([['on' => '2026-03-03', 'items' => [$item, $fine]]]);
            self::assertCount(1, $logs->unread, (string) json_encode($item));
            self::assertSame(['pigeon left'], array_keys(self::checks($logs)));
        }
        self::assertCount(1, self::logs([['on' => 'yesterday'] + $fine])->unread);
        self::assertCount(1, self::logs('none')->unread);
    }

    /** @return array<string, list<ReadinessCheck>> by posture and side */
    private static function checks(LogList $logs): array
    {
        $checks = [];
        foreach ($logs->entries as $entry) {
            if ($entry instanceof CheckMade) {
                $checks["$entry->posture {$entry->side->value}"][] = $entry->check;
            }
        }

        return $checks;
    }

    private static function logs(mixed $sessions): LogList
    {
        return LogList::of($sessions, self::getContainer()->get(Catalogue::class), self::today());
    }

    private static function today(): \DateTimeImmutable
    {
        return new \DateTimeImmutable(self::TODAY, new \DateTimeZone('UTC'));
    }
}
