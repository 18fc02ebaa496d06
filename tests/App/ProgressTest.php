<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use PHPUnit\Framework\TestCase;

/** The command that tells progress from noise. */
final class ProgressTest extends TestCase
{
    public function testEachSideAndAbilityHasItsAnswer(): void
    {
        $tests = [];
        foreach (range(0, 9) as $i) {
            $on = date('Y-m-d', strtotime('2025-09-01 +'.(21 * $i).' days'));
            $tests[] = ['test' => 'shins-stacked', 'side' => 'left', 'on' => $on,
                'trials' => [['kneeHeight' => 28 - 0.8 * $i, 'ankleHeight' => 10],
                    ['kneeHeight' => 28.3 - 0.8 * $i, 'ankleHeight' => 10]]];
            $tests[] = ['test' => 'shins-stacked', 'side' => 'right', 'on' => $on,
                'trials' => [['kneeHeight' => 20 + 0.3 * ($i % 2), 'ankleHeight' => 10],
                    ['kneeHeight' => 20.3, 'ankleHeight' => 10]]];
        }
        $answer = self::answer(['tests' => $tests, 'goal' => ['posture' => 'half-lotus',
            'rung' => 'seated-half-lotus']]);
        self::assertSame(['left', 'right'], array_keys($answer));
        $left = $answer['left']['rotation'];
        self::assertSame(['readings', 'change', 'smallestReal', 'trendPerMonth', 'step', 'forecast', 'because'],
            array_keys($left));
        self::assertSame(10, $left['readings']);
        self::assertGreaterThan($left['smallestReal'], $left['change']);
        self::assertSame(['value', 'low', 'high', 'chanceReal'], array_keys($left['trendPerMonth']));
        self::assertGreaterThan(0.0, $left['trendPerMonth']['low']);
        self::assertLessThan($left['trendPerMonth']['high'], $left['trendPerMonth']['value']);
        self::assertGreaterThan(0.99, $left['trendPerMonth']['chanceReal']);
        self::assertMatchesRegularExpression('/^2\d{3}-\d\d-\d\d$/', $left['forecast']['from']);
        self::assertLessThan($left['forecast']['to'], $left['forecast']['from']);
        $right = $answer['right']['rotation'];
        self::assertLessThan(0.0, $right['trendPerMonth']['low']);
        self::assertNull($right['forecast']);
        self::assertStringContainsString('does not get there', $right['because']);
        // What hurts has no day.
        $held = self::answer(['tests' => $tests, 'goal' => ['posture' => 'half-lotus', 'rung' => 'seated-half-lotus'],
            'events' => [['event' => 'pain', 'side' => 'left',
                'pain' => ['level' => 2, 'place' => 'knee', 'kind' => 'ache']]]]);
        self::assertNull($held['left']['rotation']['forecast']);
        self::assertStringContainsString('the goal is on hold', $held['left']['rotation']['because']);
    }

    public function testAPlainAnswerForLittle(): void
    {
        self::assertSame(['left' => [], 'right' => []], self::answer(['tests' => []]));
        $one = self::answer(['tests' => [['test' => 'frog', 'side' => 'both', 'on' => '2026-03-01',
            'trials' => [['span' => 80]]]]]);
        foreach (['left', 'right'] as $side) {
            self::assertSame([1, null, null, null], [$one[$side]['abduction']['readings'],
                $one[$side]['abduction']['change'], $one[$side]['abduction']['trendPerMonth'],
                $one[$side]['abduction']['forecast']]);
        }
        [$status, $out, $err] = CommandLine::run('ascent:progress',
            (string) json_encode(['body' => ['stature' => 170], 'tests' => [],
                'goal' => ['posture' => 'half-lotus', 'rung' => 'no-such']]));
        self::assertSame([2, ''], [$status, $out]);
        self::assertStringContainsString('no rung "no-such"', $err);
    }

    /**
     * @param array<string, mixed> $with
     *
     * @return array<string, mixed>
     */
    private static function answer(array $with): array
    {
        [$status, $out, $err] = CommandLine::run('ascent:progress',
            (string) json_encode($with + ['on' => '2026-04-01', 'body' => ['stature' => 170]]));
        self::assertSame([0, ''], [$status, $err]);

        return json_decode($out, true);
    }
}
