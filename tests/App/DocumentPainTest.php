<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Exchange\AssessAnswer;
use LucidAscent\App\Exchange\DecideAnswer;
use LucidAscent\App\Exchange\PlanAnswer;
use LucidAscent\App\Json\Fields;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;

/** Knee pain on the left somewhere in a document, beside whatever else is wrong with it: it holds. */
final class DocumentPainTest extends KernelTestCase
{
    private const DOCUMENTS = 200;
    private const SEED = 20261;
    /** Words that lift a pain called p. */
    private const WORD = ['event' => 'clearance', 'clears' => ['p'], 'by' => 'clinician', 'asked' => true,
        'on' => '2026-03-08', 'name' => 'Jo Marsh', 'profession' => 'physiotherapist', 'allows' => 'all'];

    private \Random\Randomizer $random;

    public function testPainInADocumentHoldsWhateverElseIsWrongWithIt(): void
    {
        $this->random = new \Random\Randomizer(new \Random\Engine\Mt19937(self::SEED));
        $assess = self::getContainer()->get(AssessAnswer::class);
        for ($i = 0; $i < self::DOCUMENTS; ++$i) {
            $document = ['on' => '2026-03-10', 'body' => ['stature' => 170], 'wanted' => ['half-lotus'],
                'tests' => [self::test('left'), self::test('right')],
                'seen' => [['posture' => 'half-lotus', 'rung' => 'lying-half-lotus', 'side' => 'left', 'clean' => true,
                    'on' => '2026-03-09']]];
            $document = $this->withPain($document);
            $answer = json_decode((string) json_encode($assess->of(Fields::of($document))), true);
            self::assertSame('held', $answer['poses']['half-lotus']['left']['state'],
                'seed '.self::SEED.", document $i: ".json_encode($document));
            self::assertNotSame([], $answer['held']);
        }
    }

    public function testADocumentWithoutPainHoldsNothing(): void
    {
        $document = ['on' => '2026-03-10', 'body' => ['stature' => 170], 'wanted' => ['half-lotus'],
            'tests' => [self::test('left')], 'events' => [['event' => 'pain', 'pain' => ['level' => 0]]],
            'gates' => [['gate' => 'elbow-to-sole', 'met' => true, 'pain' => 0]]];
        $answer = self::getContainer()->get(AssessAnswer::class)->of(Fields::of($document));
        self::assertSame([], $answer['held']);
    }

    /** The plan of such a document works on nothing of that side, and what comes next is a stop. */
    public function testPlanAndDecisionAskTheSame(): void
    {
        foreach (['conditions' => ['knee-pain'], 'events' => [['event' => 'pain', 'side' => 'left',
            'pain' => ['level' => 2, 'place' => 'knee']]], 'remarks' => ['pain' => ['level' => 3,
                'place' => 'knee']]] as $name => $said) {
            $document = ['on' => '2026-03-10', 'body' => ['stature' => 170], 'wanted' => ['half-lotus'],
                'tests' => [self::test('both')], 'weeks' => 1, 'days' => ['mon'], 'minutes' => 45, $name => $said];
            $plan = json_decode((string) json_encode(self::getContainer()->get(PlanAnswer::class)
                ->of(Fields::of($document))), true);
            foreach ($plan['weeks'][0]['sessions'] as $session) {
                foreach ($session['items'] as $item) {
                    self::assertTrue('right' === $item['side'] || 'work' !== $item['phase'],
                        "$name: $item[posture] $item[side]");
                }
            }
            $session = static fn (string $on): array => ['on' => $on, 'holdReached' => true, 'evenBreath' => true,
                'pain' => ['level' => 0]];
            $decision = self::getContainer()->get(DecideAnswer::class)
                ->of(Fields::of(['posture' => 'half-lotus', 'rung' => 'lying-half-lotus', 'side' => 'left',
                    'next' => 'open', 'sessions' => [$session('2026-03-02'), $session('2026-03-04'),
                        $session('2026-03-06')], $name => $said]));
            self::assertSame('stop', $decision['decision'], $name);
        }
    }

    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private function withPain(array $document): array
    {
        $pain = [
            ['level' => $this->random->getInt(1, 10), 'place' => 'knee', 'kind' => 'ache'],
            ['level' => 1, 'where' => 'inner-knee'],
            ['level' => '4', 'place' => 'knee', 'kind' => 'ache'],
            ['level' => 2, 'place' => 'somewhere-odd', 'kind' => 'ache'],
            ['level' => 3, 'place' => 'knee', 'kind' => 'no-such-kind'],
            ['level' => 0, 'place' => 'outer-hip', 'kind' => 'numbness'],
            ['level' => 6, 'place' => 'outer-hip', 'kind' => 'ache'],
            ['level' => 2, 'place' => 'groin', 'kind' => 'sharp'],
        ][$this->random->getInt(0, 7)];
        $break = fn (array $fields, string ...$names): array => array_replace($fields,
            match ($this->random->getInt(0, 3)) {
                0 => [],
                1 => [$names[$this->random->getInt(0, count($names) - 1)] => ['x' => 'y']],
                2 => [$names[$this->random->getInt(0, count($names) - 1)] => 'no such thing'],
                default => [$names[$this->random->getInt(0, count($names) - 1)] => null],
            });
        switch ($this->random->getInt(0, 9)) {
            case 0:
                $document['tests'][] = $break(['pain' => $pain] + self::test('left'), 'test', 'on', 'trials',
                    'compensations', 'tool');
                break;
            case 1:
                array_unshift($document['tests'], ['pain' => $pain] + self::test('left'));
                break;
            case 2:
                $document['seen'][] = $break(['posture' => 'half-lotus', 'rung' => 'hip-circle', 'side' => 'left',
                    'clean' => true, 'on' => '2026-03-08', 'pain' => $pain], 'posture', 'rung', 'on', 'values',
                    'clean');
                break;
            case 3:
                $document['events'][] = $break(['event' => 'pain', 'side' => 'left', 'on' => '2026-03-05',
                    'pain' => $pain], 'on', 'during', 'event', 'id');
                break;
            case 4:
                $document['gates'][] = $break(['gate' => 'elbow-to-sole', 'side' => 'left', 'met' => true,
                    'pain' => $pain], 'gate', 'on', 'met');
                break;
            case 8:
                $document['sessions'][] = $break(['on' => '2026-03-08', 'side' => 'left',
                    'items' => [$break(['posture' => 'half-lotus', 'rung' => 'hip-circle', 'side' => 'left',
                        'holdReached' => true, 'pain' => $pain], 'posture', 'rung', 'holdReached', 'compensations')]],
                    'on',
                    'soreAtNight');
                break;
            case 9:
                $document['sessions'] = [[$break(['on' => '2026-03-08', 'posture' => 'half-lotus',
                    'rung' => 'hip-circle', 'side' => 'left', 'clean' => true, 'pain' => $pain], 'posture', 'rung',
                    'on', 'clean')], ['items' => [['drill' => 'press-and-yield', 'posture' => 'figure-four',
                        'side' => 'left', 'pain' => $pain]]], [['on' => '2026-03-08', 'items' => [],
                            'pains' => [['pain' => $pain, 'side' => 'left']]]]][$this->random->getInt(0, 2)];
                break;
            case 5:
                $document[['remarks', 'notes', 'log', 'extra'][$this->random->getInt(0, 3)]] =
                    [['pain' => $pain], ['deeper' => ['still' => ['pain' => $pain]]],
                        [['pain' => $pain]]][$this->random->getInt(0, 2)];
                break;
            case 6:
                // A better one after it, and words that lift nothing.
                $document['events'] = [['id' => 'p', 'event' => 'pain', 'side' => 'left', 'on' => '2026-03-05',
                    'pain' => ['level' => 3, 'place' => 'knee', 'kind' => 'ache']], ...[
                        [['event' => 'pain', 'side' => 'left', 'on' => '2026-03-06', 'pain' => ['level' => 0]]],
                        [['clears' => ['another']] + self::WORD],
                        [['by' => 'teacher'] + self::WORD],
                        [['on' => '2026-03-04'] + self::WORD],
                        [['on' => '2026-04-01'] + self::WORD],
                        [['by' => 'a friend'] + self::WORD],
                        [array_diff_key(self::WORD, ['name' => true])],
                        [array_diff_key(self::WORD, ['profession' => true])],
                        [array_diff_key(self::WORD, ['allows' => true])],
                        [['allows' => ['nothing yet', 'we shall see', '', [], true, ['upTo' => []], 'gentle',
                            ['without' => ['worry']], ['upTo' => ['knee' => 90]], ['without' => ['turn-out']]][
                                $this->random->getInt(0, 9)]] + self::WORD],
                        [self::WORD, ['allows' => 'nothing'] + self::WORD],
                        [['event' => 'mistake', 'of' => 'p', 'by' => 'Ilka', 'why' => '', 'on' => '2026-03-05']],
                    ][$this->random->getInt(0, 11)]];
                break;
            default:
                $document['conditions'] = [['knee-pain'], [['id' => 'knee-pain', 'side' => 'left']],
                    [['id' => 'knee-pain', 'side' => 'left', 'on' => 'never']]][$this->random->getInt(0, 2)];
        }

        return $document;
    }

    /** @return array<string, mixed> */
    private static function test(string $side): array
    {
        return ['test' => 'shins-stacked', 'side' => $side, 'on' => '2026-03-08',
            'trials' => [['kneeHeight' => 11, 'ankleHeight' => 10]]];
    }
}
