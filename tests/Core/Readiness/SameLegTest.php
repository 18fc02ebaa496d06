<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\FindRestriction;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\Tool;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The same leg in other forms of one sitting. The tape is off by 0.7 cm in each, so noise explains 1.94 cm. */
final class SameLegTest extends TestCase
{
    /**
     * @param array<string, float> $read
     * @param list<string> $compensations
     */
    #[DataProvider('forms')]
    public function testWhatDiffersByMoreThanTheTapeIsTold(
        string $test,
        array $read,
        ?string $code,
        float $soles = 20.0,
        array $compensations = [],
    ): void {
        self::assertSame(null === $code ? [] : [$code], self::codes($test, $read, $soles, $compensations));
    }

    /**
     * @return iterable<string, array{0: string, 1: array<string, float>, 2: string|null, 3?: float, 4?: list<string>}>
     */
    public static function forms(): iterable
    {
        yield 'lower in the fold' => ['one-leg-fold-knee', ['kneeHeight' => 18.0], 'same-leg.pelvis-rolls'];
        yield 'within the error' => ['one-leg-fold-knee', ['kneeHeight' => 18.1], null];
        yield 'higher in the fold says nothing of the pelvis' => ['one-leg-fold-knee', ['kneeHeight' => 25.0], null];
        yield 'compensated' => ['one-leg-fold-knee', ['kneeHeight' => 10.0], null, 20.0, ['leans-aside']];
        yield 'low knees are compared, too' => ['one-leg-fold-knee', ['kneeHeight' => 4.0], 'same-leg.pelvis-rolls',
            9.0];
        yield 'lower with the soles opened' => ['soles-opened', ['kneeHeight' => 18.0], 'same-leg.opened'];
        yield 'opened, within the error' => ['soles-opened', ['kneeHeight' => 18.1], null];
        yield 'the pelvis gives' => ['pelvis-rock', ['kneeForward' => 16.0, 'kneeBack' => 18.0],
            'same-leg.pelvis-gives'];
        yield 'either way' => ['pelvis-rock', ['kneeForward' => 18.0, 'kneeBack' => 16.0], 'same-leg.pelvis-gives'];
        yield 'the pelvis is not it' => ['pelvis-rock', ['kneeForward' => 16.0, 'kneeBack' => 17.9],
            'same-leg.pelvis-still'];
        yield 'only one of the two' => ['pelvis-rock', ['kneeForward' => 16.0], null];
        yield 'rocked, and compensated' => ['pelvis-rock', ['kneeForward' => 16.0, 'kneeBack' => 19.0], null, 20.0,
            ['seat-slides']];
    }

    public function testTheNumbersAreThoseThatWereRead(): void
    {
        [$reason] = self::reasons('pelvis-rock', ['kneeForward' => 16.0, 'kneeBack' => 19.5], 20.0, []);
        self::assertSame(['forward' => 16.0, 'back' => 19.5, 'by' => 3.5], $reason->numbers);
        [$reason] = self::reasons('soles-opened', ['kneeHeight' => 15.0], 20.0, []);
        self::assertSame(['opened' => 15.0, 'soles' => 20.0], $reason->numbers);
    }

    public function testASittingThatWasCompensatedIsComparedWithNothing(): void
    {
        $person = Person::of(['soles-together' => [['kneeHeight' => 20.0, 'heelDistance' => 20.0]]]);
        $sitting = array_map(static fn (TakenTest $taken): TakenTest => new TakenTest($taken->test, $taken->side,
            $taken->tool, $taken->trials, ['leans-back'], on: $taken->on), $person->taken);
        self::assertSame([], self::ofAll([new TakenTest('one-leg-fold-knee', Side::Left, Tool::Tape,
            [['kneeHeight' => 4.0]], on: new \DateTimeImmutable('2026-03-02')), ...$sitting], $person));
    }

    /**
     * @param array<string, float> $read
     * @param list<string> $compensations
     *
     * @return list<string>
     */
    private static function codes(string $test, array $read, float $soles, array $compensations): array
    {
        return array_map(static fn (Reason $reason): string => $reason->code,
            self::reasons($test, $read, $soles, $compensations));
    }

    /**
     * @param array<string, float> $read
     * @param list<string> $compensations
     *
     * @return list<Reason>
     */
    private static function reasons(string $test, array $read, float $soles, array $compensations): array
    {
        $person = Person::of(['soles-together' => [['kneeHeight' => $soles, 'heelDistance' => 20.0]]]);

        return self::ofAll([new TakenTest($test, Side::Left, Tool::Tape, [$read], $compensations,
            on: new \DateTimeImmutable('2026-03-02')), ...$person->taken], $person);
    }

    /**
     * @param list<TakenTest> $taken
     *
     * @return list<Reason>
     */
    private static function ofAll(array $taken, Snapshot $person): array
    {
        $finding = FindRestriction::of(new ReadPoses([], new Snapshot($person->proportions, $person->evidence,
            $person->holds, $taken, $person->on), []), Side::Left);

        return array_values(array_filter($finding->reasons,
            static fn (Reason $reason): bool => str_starts_with($reason->code, 'same-leg.')));
    }
}
