<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Exchange\AssessAnswer;
use LucidAscent\App\Exchange\DecideAnswer;
use LucidAscent\App\Json\Fields;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;

/** Words in a document: nobody can be asked what they mean, so what speaks of pain or of a condition holds. */
final class DocumentWordsTest extends KernelTestCase
{
    /**
     * @param array<string, mixed> $says
     * @param list<string> $sides on which a deep shape of one leg alone is held
     */
    #[DataProvider('spoken')]
    public function testWhatSpeaksOfPainOrOfAConditionHoldsEverythingDeep(
        array $says,
        string $unread,
        array $sides = ['left', 'right'],
    ): void {
        $answer = self::answer($says);
        foreach (['left', 'right'] as $side) {
            self::assertSame(in_array($side, $sides, true), 'held' === $answer['poses']['leg-cradle'][$side]['state'],
                "$side is {$answer['poses']['leg-cradle'][$side]['state']}");
        }
        self::assertContains($unread, array_map(static fn (array $one): string => implode(' ',
            array_intersect_key($one, ['note' => 0, 'key' => 0, 'condition' => 0, 'code' => 0])), $answer['unread']));
    }

    /** @return iterable<string, array{array<string, mixed>, string, 2?: list<string>}> */
    public static function spoken(): iterable
    {
        $session = static fn (array $more): array => ['sessions' => [['on' => '2026-03-05', 'items' => [
            ['posture' => 'half-lotus', 'rung' => 'hip-circle', 'side' => 'left', 'clean' => true] + $more]]]];
        yield 'a note of a person' => [['note' => 'Knee hurts on stairs'], 'note words'];
        yield 'a note of a body' => [['body' => ['stature' => 170, 'note' => 'replaced hip']], 'body.note words'];
        yield 'a note of a test' => [['tests' => [['test' => 'frog', 'side' => 'left', 'on' => '2026-03-02',
            'trials' => [['span' => 80]], 'note' => 'numb toes afterwards']]], 'tests[0].note words', ['left']];
        yield 'a note of a session' => [['sessions' => [['on' => '2026-03-05', 'comment' => 'right knee swollen',
            'items' => []]]], 'sessions[0].comment words', ['right']];
        yield 'a note of an item' => [$session(['note' => 'a twinge']), 'sessions[0].items[0].note words', ['left']];
        yield 'a note beside no pain' => [$session(['note' => 'sharp at the end', 'pain' => ['level' => 0]]),
            'sessions[0].items[0].note words', ['left']];
        yield 'words in an event' => [['events' => [['event' => 'stop', 'side' => 'left', 'painless' => true,
            'words' => 'pregnant since May']]], 'events[0].words words'];
        yield 'a condition beside a pain' => [['events' => [['event' => 'pain', 'side' => 'left',
            'pain' => ['level' => 2, 'place' => 'ankle', 'kind' => 'ache'], 'note' => 'torn meniscus']]],
            'events[0].note words', ['left']];
        foreach (['condition', 'Conditions', 'injuries', 'medical', 'medicalHistory', 'health', 'soreness', 'ache',
            'surgeries', 'symptoms'] as $key) {
            yield $key => [[$key => ['asthma']], "$key unknown-key"];
        }
        yield 'a key that is said to be so' => [['surgery' => true], 'surgery unknown-key'];
        yield 'a key and its own side' => [['injuries' => ['left knee']], 'injuries unknown-key', ['left']];
        yield 'an event that is words' => [['events' => ['left knee surgery']], 'words', ['left']];
        yield 'events that are words' => [['events' => 'torn meniscus'], 'words'];
        yield 'an event of a kind that nobody knows' => [['events' => [['event' => 'injury', 'what' => 'knee',
            'side' => 'right']]], 'words', ['right']];
        yield 'a key in an event' => [['events' => [['injury' => 'left knee']]], 'words', ['left']];
        foreach (['grinding', 'gives way', 'clicks and hurts', 'pins and needles'] as $kind) {
            yield "$kind at no level" => [['conditions' => ['hip clicks'], 'events' => [['event' => 'pain',
                'side' => 'left', 'pain' => ['level' => 0, 'place' => 'groin', 'kind' => $kind]]]],
                'hip clicks ask', ['left']];
        }
        yield 'a condition that nobody knows' => [['conditions' => ['bad right knee']],
            'bad right knee unknown-condition', ['right']];
    }

    /** @param list<string> $sides that hold it */
    #[TestWith(['Knee Surgeries', 'knee-surgery', ['left', 'right']])]
    #[TestWith(['left hip-replacement', 'hip-replacement', ['left']])]
    #[TestWith(['Osteoarthritis of the right knee', 'knee-arthrosis', ['right']])]
    #[TestWith(['Gluteal tendinopathy, left', 'outer-hip-tendon', ['left']])]
    #[TestWith(['Left-sided sciatica', 'disc-leg-symptoms', ['left', 'right']])]
    #[TestWith(['Neck pain', 'neck-pain', ['left', 'right']])]
    #[TestWith(['no hip replacement', 'no hip replacement', ['left', 'right']])]
    #[TestWith(['it band syndrome', 'it band syndrome', ['left', 'right']])]
    public function testAConditionIsKnownHoweverPeopleCallIt(string $called, string $id, array $sides): void
    {
        $document = ['on' => '2026-03-10', 'body' => ['stature' => 170], 'tests' => [],
            'conditions' => [$called], 'wanted' => array_keys(self::getContainer()->get(Catalogue::class)->postures())];
        $held = array_filter(
            self::getContainer()->get(AssessAnswer::class)->of(Fields::of($document))['held'],
            static fn (array $hold): bool => $hold['code'] === $id,
        );
        self::assertNotSame([], $held);
        foreach ($held as $hold) {
            self::assertSame($sides, 'both' === $hold['side'] ? ['left', 'right'] : [$hold['side']]);
        }
    }

    /**
     * What its name says of a side takes none away from what is said.
     *
     * @param list<string> $sides that are held
     */
    #[TestWith([null, ['left']])]
    #[TestWith(['', ['left']])]
    #[TestWith(['left', ['left']])]
    #[TestWith(['both', ['left', 'right']])]
    #[TestWith(['right', ['left', 'right']])]
    #[TestWith(['L and R', ['left', 'right']])]
    #[TestWith([['left', 'right'], ['left', 'right']])]
    public function testASideThatIsSaidIsHeldBesideTheOneThatIsNamed(mixed $said, array $sides): void
    {
        foreach (['left knee surgery', 'bad left knee'] as $called) {
            foreach ([['conditions' => [['id' => $called, 'side' => $said]]],
                ['events' => [['event' => 'condition', 'condition' => $called, 'side' => $said]]]] as $says) {
                $held = [];
                foreach (self::answer($says)['held'] as $hold) {
                    $held = [...$held, ...'both' === $hold['side'] ? ['left', 'right'] : [$hold['side']]];
                }
                self::assertSame($sides, array_values(array_unique($held)), (string) json_encode($says));
            }
        }
    }

    /** @param array<string, mixed> $more */
    #[TestWith([['on' => 'when I was ten'], ['left']])]
    #[TestWith([['on' => 20], ['left']])]
    #[TestWith([['side' => 'leftish'], ['left', 'right']])]
    #[TestWith([['id' => ['x']], ['left']])]
    #[TestWith([['during' => 'a class'], ['left']])]
    #[TestWith([['event' => 'Condition'], ['left']])]
    #[TestWith([['event' => null], ['left']])]
    #[TestWith([['condition' => ['knee-surgery', 'asthma']], ['left']])]
    #[TestWith([['until' => 'some day', 'by' => 7], ['left']])]
    public function testAConditionInAnEventThatCannotBeReadHolds(array $more, array $sides): void
    {
        $answer = self::answer(['events' => [
            $more + ['event' => 'condition', 'condition' => 'knee-surgery', 'side' => 'left']]]);
        $held = array_merge(...array_map(static fn (array $hold): array => 'both' === $hold['side']
            ? ['left', 'right'] : [$hold['side']], $answer['held']));
        self::assertSame($sides, array_values(array_unique($held)));
        self::assertNotSame([], $answer['unread']);
    }

    public function testAClearanceMayNameAConditionAsItWasCalled(): void
    {
        $says = ['conditions' => ['Osteoarthritis of the knee'], 'events' => [['event' => 'clearance',
            'clears' => 'condition:Osteoarthritis of the knee', 'by' => 'clinician', 'name' => 'N',
            'profession' => 'doctor', 'allows' => 'all']]];
        self::assertSame([], self::answer($says)['held']);
        $says['events'][0]['allows'] = 'nothing yet';
        self::assertNotSame([], self::answer($says)['held']);
        $says['events'][0]['allows'] = ['upTo' => ['kneeFlexion' => 100]];
        self::assertEquals(100.0, self::answer($says)['held'][0]['allows']['upTo']['kneeFlexion'],
            'A cradle folds it further.');
    }

    public function testWhatIsNamedIsHeldInGentleWorkToo(): void
    {
        $holds = static fn (array $says): array => self::answer($says)['poses']['easy-twist']['left'];
        self::assertSame('held', $holds(['conditions' => ['a bad knee']])['state']);
        self::assertNotSame('held', $holds(['conditions' => ['asthma']])['state']);
        self::assertNotSame('held', $holds([])['state']);
    }

    /** @param array<string, mixed> $says */
    #[DataProvider('ordinary')]
    public function testOrdinarySituationsHoldNothing(array $says): void
    {
        $answer = self::answer($says);
        self::assertSame([], $answer['held']);
        foreach (['left', 'right'] as $side) {
            self::assertNotSame('held', $answer['poses']['leg-cradle'][$side]['state']);
        }
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function ordinary(): iterable
    {
        foreach (['No pain', 'no pain.', 'Pain-free', 'none', '-', 'n/a', 'nothing', 'healthy', '', 'No knee pain',
            'No pain, no numbness', 'Painless', 'Nothing hurts', 'Felt the stretch strongly in the outer hip',
            'Tight after a long day', 'Two blankets; breath even throughout'] as $note) {
            yield "the note \"$note\"" => [['note' => $note, 'body' => ['stature' => 170, 'note' => $note],
                'sessions' => [['on' => '2026-03-05', 'note' => $note, 'items' => [['posture' => 'half-lotus',
                    'rung' => 'hip-circle', 'side' => 'left', 'clean' => true, 'note' => $note]]]]]];
        }
        foreach ([[], null, 'none', ['none'], 'no', ['n/a'], 'healthy', false, ''] as $i => $none) {
            yield "injuries that are none, $i" => [['injuries' => $none, 'medical' => $none, 'soreness' => $none]];
            yield "conditions that are none, $i" => [['conditions' => is_array($none) ? $none : []]];
        }
        yield 'a condition that is none' => [['conditions' => ['none']]];
        foreach (['My hip clicks', 'IT band', 'cracking knees'] as $harmless) {
            yield "$harmless asks" => [['conditions' => [$harmless], 'injuries' => $harmless, 'note' => $harmless]];
        }
        yield 'painless clicking' => [['conditions' => ['painless clicking']]];
        yield 'an ache of 2 in the calf' => [['events' => [['event' => 'pain', 'side' => 'left',
            'pain' => ['level' => 2, 'place' => 'elsewhere', 'kind' => 'ache'], 'note' => 'the calf aches']]]];
        yield 'a stretch felt strongly' => [['sessions' => [['on' => '2026-03-05', 'items' => [['posture' => 'pigeon',
            'rung' => 'slanted', 'side' => 'left', 'clean' => true,
            'pain' => ['level' => 4, 'place' => 'outer-hip', 'kind' => 'stretch']]]]]]];
        yield 'an old injury that was cleared' => [['events' => [
            ['event' => 'condition', 'condition' => 'knee-injury', 'side' => 'left', 'on' => '2025-01-10'],
            ['event' => 'clearance', 'clears' => ['events[0]'], 'by' => 'clinician', 'on' => '2025-09-10',
                'name' => 'N', 'profession' => 'doctor', 'allows' => 'all']]]];
        foreach (['none', 'no pain', '', 'clicks', 'painless clicking', 'stretch', 'sharp'] as $kind) {
            yield "\"$kind\" at no level" => [['events' => [['event' => 'pain', 'side' => 'left',
                'pain' => ['level' => 0, 'place' => 'knee', 'kind' => $kind]]]]];
        }
        yield 'an event that cannot be read' => [['events' => [['event' => 'lesson', 'about' => 'breathing']]]];
        yield 'a mistake that cannot be read' => [['events' => [['event' => 'mistake', 'why' => 'no surgery yet']]]];
        yield 'a key that has nothing to do with it' => [['mood' => 'sunny', 'studio' => 'the one by the lake']];
    }

    /** "Clean" is an opinion: what was observed beside it takes it away. */
    public function testSeenCleanIsWhatWasObserved(): void
    {
        $state = static fn (array $more): string => self::answer(['seen' => [['posture' => 'leg-cradle',
            'rung' => 'elbow', 'side' => 'left', 'clean' => true,
            'on' => '2026-03-05'] + $more]])['poses']['leg-cradle']['left']['state'];
        self::assertSame(['open', 'open'], [$state([]), $state(['holdReached' => true, 'evenBreath' => true,
            'compensations' => [], 'hands' => false, 'helped' => 'nobody'])]);
        foreach ([['holdReached' => false], ['evenBreath' => false], ['compensations' => ['pelvis-turns']],
            ['hands' => true], ['assisted' => 'a little'], ['pressed' => 'lightly']] as $seen) {
            self::assertNotSame('open', $state($seen), (string) json_encode($seen));
        }
    }

    public function testADecisionHearsTheNotesOfItsSessions(): void
    {
        $decide = static fn (string $note): string => self::getContainer()->get(DecideAnswer::class)
            ->of(Fields::of(['posture' => 'half-lotus', 'rung' => 'mid-thigh-on-block', 'side' => 'left',
                'next' => 'open', 'sessions' => array_map(static fn (string $on): array => ['on' => $on,
                    'holdReached' => true, 'evenBreath' => true, 'pain' => ['level' => 0], 'note' => $note],
                    ['2026-03-02', '2026-03-06', '2026-03-10'])]))['decision'];
        self::assertSame(['move-on', 'stop'], [$decide('No pain'), $decide('the knee was sore')]);
    }

    /** What comes next is not moved on to while the same facts hold it, whatever the document says of it. */
    public function testADecisionNeverMovesOnToWhatIsHeld(): void
    {
        $decide = static fn (array $events): string => self::getContainer()->get(DecideAnswer::class)
            ->of(Fields::of(['posture' => 'half-lotus', 'rung' => 'easy-cross-leg', 'side' => 'left', 'next' => 'open',
                'sessions' => array_map(static fn (string $on): array => ['on' => $on, 'holdReached' => true,
                    'evenBreath' => true, 'pain' => ['level' => 0]], ['2026-03-02', '2026-03-04', '2026-03-06']),
                'events' => $events]))['decision'];
        self::assertSame('move-on', $decide([]));
        self::assertSame('stay', $decide([['event' => 'condition', 'condition' => 'other',
            'loads' => ['hip-flexed-end'], 'on' => '2026-03-01']]));
    }

    /**
     * @param array<string, mixed> $says
     *
     * @return array<string, mixed>
     */
    private static function answer(array $says): array
    {
        $document = $says + ['on' => '2026-03-10', 'body' => ['stature' => 170],
            'wanted' => ['leg-cradle', 'easy-twist'], 'tests' => []];

        return json_decode((string) json_encode(self::getContainer()->get(AssessAnswer::class)
            ->of(Fields::of($document))), true);
    }
}
