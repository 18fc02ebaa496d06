<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Hostile;

use LucidAscent\Tests\App\CommandLine;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Documents made wrong, many a line: each is answered or refused in its place, and none takes the others with it. */
final class DocumentsTest extends TestCase
{
    private const MANY = 100;

    private const PERSON = ['on' => '2026-03-09', 'body' => ['stature' => 170,
        'thigh' => ['left' => 41.2, 'right' => 41], 'shin' => ['left' => 41.3, 'right' => 41]],
        'wanted' => ['half-lotus', 'pigeon'],
        'tests' => [
            ['test' => 'soles-together', 'side' => 'both', 'trials' => [['kneeHeight' => 14, 'heelDistance' => 20]],
                'on' => '2026-03-01', 'seat' => 0, 'compensations' => [],
                'pain' => ['level' => 0, 'place' => 'none', 'kind' => 'ache'], 'resting' => false, 'warm' => true,
                'tool' => 'tape'],
            ['test' => 'shins-stacked', 'side' => 'left', 'trials' => [['kneeHeight' => 14, 'ankleHeight' => 10],
                ['kneeHeight' => 15, 'ankleHeight' => 10]]],
            ['test' => 'frog', 'trials' => [['span' => 90]]],
        ],
        'seen' => [['posture' => 'half-lotus', 'rung' => 'lying-half-lotus', 'side' => 'left', 'clean' => true,
            'on' => '2026-03-01', 'values' => ['kneeHeight' => 14]]],
        'gates' => [['gate' => 'elbow-to-sole', 'side' => 'left', 'met' => true, 'on' => '2026-03-01']],
        'events' => [['event' => 'pain', 'pain' => ['level' => 3, 'place' => 'knee', 'kind' => 'ache'],
            'side' => 'left', 'on' => '2026-03-02'], ['event' => 'condition', 'condition' => 'other',
                'loads' => ['twist']], ['event' => 'clearance', 'clears' => ['events[0]'], 'by' => 'clinician',
                    'on' => '2026-03-05']],
        'conditions' => ['knee-surgery'], 'days' => ['mon', 'thu'], 'weeks' => 2, 'minutes' => 45,
        'school' => 'long-still', 'props' => ['blocks' => 2, 'blankets' => 2, 'strap' => true],
        'goal' => ['posture' => 'half-lotus', 'rung' => 'lying-half-lotus'],
        'posture' => 'half-lotus', 'rung' => 'lying-half-lotus', 'side' => 'left', 'next' => 'open',
        'sportDays' => ['mon'], 'pinned' => ['hinge'], 'sessions' => [['on' => '2026-03-01', 'holdReached' => true,
            'evenBreath' => true, 'pain' => ['level' => 0], 'compensations' => []]]];

    private const CASE = ['posture' => 'half-lotus', 'body' => ['thigh' => 41.2, 'shin' => 41.3, 'hipSpacing' => 17,
        'seatedHipHeight' => 9, 'ankleAboveSole' => 6.6], 'contact' => ['forward' => 12, 'across' => -2, 'above' => 8],
        'kneeHeight' => 14, 'heelDistance' => 20, 'ankleHeight' => 10, 'hipHeight' => 16, 'shinAngle' => 40,
        'span' => 90, 'gap' => 20, 'torso' => 50, 'rounding' => 40, 'kneeOutside' => 20, 'seat' => 4, 'pelvicTilt' => 5,
        'capacity' => ['flexion' => 125, 'abduction' => 50, 'rotation' => 90, 'kneeFlexion' => 160], 'ask' => 'angles',
        'errors' => true];

    #[TestWith(['ascent:assess'])]
    #[TestWith(['ascent:capacity'])]
    #[TestWith(['ascent:plan'])]
    #[TestWith(['ascent:decide'])]
    #[TestWith(['ascent:progress'])]
    public function testOneAnswerALine(string $command): void
    {
        $grammar = new Grammar(Grammar::seed());
        for ($left = Grammar::count(self::MANY); $left > 0; $left -= self::MANY) {
            $lines = [];
            for ($i = 0; $i < min($left, self::MANY); ++$i) {
                $lines[] = (string) json_encode($grammar->broken(self::PERSON),
                    JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE);
            }
            [$status, $out, $err] = CommandLine::run($command, implode("\n", $lines)."\n");
            $answers = explode("\n", rtrim($out, "\n"));
            self::assertContains($status, [0, 2], $err);
            self::assertCount(count($lines), $answers, "seed {$grammar->seed}: $err");
            foreach ($answers as $i => $answer) {
                self::assertIsArray(json_decode($answer, true), $lines[$i]);
            }
            self::assertDoesNotMatchRegularExpression('/Warning|Deprecated|Notice|Stack trace|\.php/', $err);
        }
    }

    public function testOneAnswerACase(): void
    {
        $grammar = new Grammar(Grammar::seed());
        $postures = ['half-lotus', 'soles-together', 'shins-stacked', 'pigeon-front', 'leg-behind-head', 'frog',
            'wide-legs', 'leg-raise', 'heel-to-seat', 'deep-squat', 'cow-face'];
        for ($left = Grammar::count(400); $left > 0; $left -= 400) {
            $cases = [];
            for ($i = 0; $i < min($left, 400); ++$i) {
                $cases[] = $grammar->broken(['posture' => $grammar->one($postures),
                    'ask' => $grammar->one(['angles', 'shortfall', 'props', 'lowest-knee'])] + self::CASE);
            }
            [$status, $out, $err] = CommandLine::run('ascent:solve',
                (string) json_encode(['cases' => $cases], JSON_PARTIAL_OUTPUT_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
            self::assertSame([0, ''], [$status, $err], "seed {$grammar->seed}");
            self::assertCount(count($cases), json_decode($out, true)['results'] ?? []);
        }
    }

    /** A number of no size that a body has is refused, and costs no time. */
    #[TestWith(['kneeHeight', 1e6])]
    #[TestWith(['seat', 1e6])]
    #[TestWith(['heelDistance', 1e300])]
    public function testALengthOfNobody(string $name, float $value): void
    {
        [, $out] = CommandLine::run('ascent:solve', (string) json_encode(['cases' => [[$name => $value,
            'posture' => 'soles-together', 'ask' => 'angles'] + self::CASE]]));
        self::assertSame('bad-input', json_decode($out, true)['results'][0]['error']['code']);
    }
}
