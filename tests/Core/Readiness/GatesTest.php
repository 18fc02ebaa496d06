<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\EvidenceCutOff;
use LucidAscent\Core\Posture\GateDefinition;
use LucidAscent\Core\Posture\GateKind;
use LucidAscent\Core\Readiness\Gate\GateFinding;
use LucidAscent\Core\Readiness\Gate\Gates;
use LucidAscent\Core\Readiness\GateOutcome;
use LucidAscent\Core\Readiness\LotusGate;
use LucidAscent\Core\Readiness\Observed;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Testing\TakenTest;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class GatesTest extends TestCase
{
    /** @param array<string, float>|null $sitting */
    #[DataProvider('sittings')]
    public function testTheSittingBeforeAFootGoesIntoTheCrease(
        State $best,
        string $code,
        ?array $sitting,
        string $needed = 'may-try',
        string $on = '2026-03-10',
    ): void {
        $person = Person::of(null === $sitting ? [] : ['soles-together' => [$sitting]], on: $on);
        $finding = self::check(GateKind::Sitting, $needed, $person);
        self::assertSame([$best, $code], [$finding->best, $finding->reason->code]);
    }

    public static function sittings(): iterable
    {
        // The sample body's hip joint is 9 cm up: a knee is high above 14 cm. The tape is off by 0.7 cm.
        yield 'close and low' => [State::Open, 'gate.may-try', ['kneeHeight' => 9.3, 'heelDistance' => 14.3]];
        yield 'within the error of the knee’s limit' => [State::Unknown, 'gate.close',
            ['kneeHeight' => 9.4, 'heelDistance' => 14.0]];
        yield 'within the error of the heels’ limit' => [State::Unknown, 'gate.close',
            ['kneeHeight' => 8.0, 'heelDistance' => 14.4]];
        yield 'close and not low' => [State::First, 'gate.supported', ['kneeHeight' => 11.0, 'heelDistance' => 14.0]];
        yield 'supported is enough for a supported rung' => [State::Open, 'gate.supported',
            ['kneeHeight' => 11.0, 'heelDistance' => 14.0], 'supported'];
        yield 'may try is enough for it too' => [State::Open, 'gate.may-try',
            ['kneeHeight' => 8.0, 'heelDistance' => 12.0], 'supported'];
        yield 'far and not high' => [State::Open, 'gate.supported', ['kneeHeight' => 13.2, 'heelDistance' => 31.0],
            'supported'];
        yield 'far, and within the error of high' => [State::Unknown, 'gate.close',
            ['kneeHeight' => 13.5, 'heelDistance' => 31.0], 'supported'];
        yield 'far and high' => [State::First, 'gate.not-now', ['kneeHeight' => 15.0, 'heelDistance' => 31.0],
            'supported'];
        yield 'not read' => [State::Unknown, 'gate.not-read', null];
        yield 'too long ago' => [State::Unknown, 'gate.not-read', ['kneeHeight' => 8.0, 'heelDistance' => 12.0],
            'may-try', '2026-06-20'];
    }

    public function testASittingThatWasNotCleanOpensNothing(): void
    {
        $person = Person::of(['soles-together' => [['kneeHeight' => 8.0, 'heelDistance' => 12.0]]]);
        $leans = array_map(static fn (TakenTest $test): TakenTest => new TakenTest($test->test, $test->side,
            $test->tool, $test->trials, ['leans-back'], on: $test->on), $person->taken);
        $finding = self::check(GateKind::Sitting, 'may-try',
            new Snapshot($person->proportions, $person->evidence, $person->holds, $leans, $person->on));
        self::assertSame([State::Unknown, 'gate.not-clean', 'soles-together'],
            [$finding->best, $finding->reason->code, $finding->test]);
    }

    /** The limits themselves, without an error: on the line is within it. */
    public function testOnTheLineOfEachLimit(): void
    {
        self::assertSame(GateOutcome::MayTry, LotusGate::outcome(15.0, 10.0, 9.0));
        self::assertSame(GateOutcome::Supported, LotusGate::outcome(30.0, 20.0, 9.0), 'Thirty is not far yet.');
        self::assertSame(GateOutcome::Supported, LotusGate::outcome(31.0, 14.0, 9.0), 'Nor five above the hip high.');
        self::assertSame(GateOutcome::NotNow, LotusGate::outcome(30.1, 14.1, 9.0));
        self::assertSame(GateOutcome::NotNow, LotusGate::outcome(29.8, 13.8, 9.0, 0.5),
            'Within the error the careful side.');
        self::assertSame(GateOutcome::Supported, LotusGate::outcome(29.4, 13.8, 9.0, 0.5));
        self::assertSame(GateOutcome::Supported, LotusGate::outcome(29.8, 13.4, 9.0, 0.5));
        self::assertSame(GateOutcome::Supported, LotusGate::outcome(14.8, 9.0, 9.0, 0.5));
        self::assertSame(GateOutcome::Supported, LotusGate::outcome(14.0, 9.8, 9.0, 0.5));
    }

    public function testWhatComesFirstKeepsAPostureBack(): void
    {
        $person = Person::of([]);
        $behind = static function (?State $state) use ($person): array {
            $gate = self::check(GateKind::First, 'pigeon', $person, static fn (string $id): ?State => 'pigeon' === $id
                ? $state : State::Open);

            return [$gate->best, $gate->isMet(), $gate->isKnownShut(), $gate->posture, $gate->reason->code];
        };
        // Nothing behind it reads better than it does itself.
        self::assertSame([State::Open, true, false, 'pigeon', 'gate.passed'], $behind(State::Open));
        self::assertSame([State::Near, true, false, 'pigeon', 'gate.passed'], $behind(State::Near));
        self::assertSame([State::Unknown, false, false, 'pigeon', 'gate.first-unknown'], $behind(State::Unknown));
        foreach ([State::First, State::Short, State::Held] as $state) {
            self::assertSame([State::First, false, true, 'pigeon', 'gate.first'], $behind($state), $state->value);
        }
        self::assertSame([State::Unknown, false, false, 'pigeon', 'gate.first-unknown'], $behind(null),
            'There is none of that name, or it asks in a circle.');
    }

    public function testNotAskedIsNotMetAndOfTwoAnswersOfADayTheWorseCounts(): void
    {
        $on = static fn (string $day): \DateTimeImmutable => new \DateTimeImmutable($day);
        $ask = static fn (Observed ...$answers): string => self::check(GateKind::Observed, 'elbow-to-sole',
            Person::of([], observed: array_values($answers)))->reason->code;
        self::assertSame('gate.not-asked', $ask());
        self::assertSame('gate.not-asked', $ask(new Observed('elbow-to-sole', Side::Right, true, $on('2026-03-02'))),
            'of the other side');
        self::assertSame('gate.not-asked', $ask(new Observed('another', Side::Left, true, $on('2026-03-02'))));
        self::assertSame('gate.not-asked', $ask(new Observed('elbow-to-sole', Side::Left, true, $on('2025-11-02'))),
            'too long ago');
        self::assertSame('gate.seen', $ask(new Observed('elbow-to-sole', Side::Left, true, $on('2026-03-02'))));
        self::assertSame('gate.refused', $ask(new Observed('elbow-to-sole', Side::Left, true, $on('2026-03-02')),
            new Observed('elbow-to-sole', Side::Left, false, $on('2026-03-02'))));
        foreach ([true, false] as $met) {
            $answers = [new Observed('elbow-to-sole', Side::Left, $met, $on('2026-03-02')),
                new Observed('elbow-to-sole', Side::Left, !$met, $on('2026-03-01'))];
            self::assertSame($met ? 'gate.seen' : 'gate.refused', $ask(...$answers), 'The newer answer counts.');
            self::assertSame($met ? 'gate.seen' : 'gate.refused', $ask(...array_reverse($answers)));
        }
        self::assertSame('gate.seen', $ask(new Observed('elbow-to-sole', Side::Left, false, $on('2026-03-02')),
            new Observed('elbow-to-sole', Side::Left, true, $on('2026-03-03'))), 'the newest day counts');
    }

    public function testWhatIsOlderThanAClearanceOpensNothing(): void
    {
        $person = Person::of(['soles-together' => [['kneeHeight' => 8.0, 'heelDistance' => 12.0]]],
            observed: [new Observed('elbow-to-sole', Side::Left, true, new \DateTimeImmutable('2026-03-02'))]);
        foreach ([['2026-03-01', true], ['2026-03-02', false], ['2026-03-05', false]] as [$day, $isMet]) {
            $since = new EvidenceCutOff(new \DateTimeImmutable($day), new \DateTimeImmutable($day));
            foreach ([[GateKind::Sitting, 'may-try'], [GateKind::Observed, 'elbow-to-sole']] as [$kind, $asks]) {
                self::assertSame($isMet, Gates::of(new GateDefinition($kind, $asks))
                    ->check($person, Side::Left, static fn (): State => State::Open, $since)->isMet(),
                    "$asks, cleared $day");
            }
        }
    }

    private static function check(
        GateKind $kind,
        string $asks,
        Snapshot $person,
        ?callable $stateOf = null,
    ): GateFinding {
        return Gates::of(new GateDefinition($kind, $asks))->check($person, Side::Left, $stateOf
            ?? static fn (): State => State::Open, null);
    }
}
