<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\Gate\Gate;
use LucidAscent\Core\Readiness\Gate\Gates;
use LucidAscent\Core\Readiness\Gate\Lotus;
use LucidAscent\Core\Readiness\State;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class GatesTest extends TestCase
{
    /** @param array<string, float>|null $sitting */
    #[DataProvider('sittings')]
    public function testTheLotusGate(State $best, string $code, ?array $sitting, string $on = '2026-03-10'): void
    {
        $person = Person::of(null === $sitting ? [] : ['soles-together' => [$sitting]], on: $on);
        $finding = (new Lotus())->check($person, Side::Left, static fn (): bool => true);
        self::assertSame([$best, $code], [$finding->best, $finding->reason->code]);
    }

    public static function sittings(): iterable
    {
        // The sample body's hip joint is 9 cm up: a knee is high above 14 cm.
        yield 'close and low' => [State::Open, 'gate.may-try', ['kneeHeight' => 10.0, 'heelDistance' => 15.0]];
        yield 'close and not low' => [State::Unknown, 'gate.supported', ['kneeHeight' => 10.5, 'heelDistance' => 15.0]];
        yield 'far and not high' => [State::Unknown, 'gate.supported', ['kneeHeight' => 14.0, 'heelDistance' => 31.0]];
        yield 'far and high' => [State::Short, 'gate.not-now', ['kneeHeight' => 15.0, 'heelDistance' => 31.0]];
        yield 'not read' => [State::Unknown, 'gate.not-read', null];
        yield 'too long ago' => [State::Unknown, 'gate.not-read', ['kneeHeight' => 10.0, 'heelDistance' => 15.0], '2026-06-20'];
    }

    /** @param list<string> $first */
    #[DataProvider('prerequisites')]
    public function testWhatComesFirstKeepsAPostureBack(string $posture, array $first): void
    {
        $person = Person::of([]);
        $gates = array_values(array_filter(Gates::before($posture), static fn (Gate $gate): bool => !$gate instanceof Lotus));
        self::assertCount(1, $gates);
        self::assertSame(State::Open, $gates[0]->check($person, Side::Left, static fn (): bool => true)->best);
        foreach ($first as $missing) {
            $finding = $gates[0]->check($person, Side::Left, static fn (string $id): bool => $id !== $missing);
            self::assertSame(State::Unknown, $finding->best);
            self::assertSame($missing, $finding->reason->numbers['postures'], 'only what is missing is named');
        }
        self::assertSame(implode(', ', $first), $gates[0]->check($person, Side::Left, static fn (): bool => false)->reason->numbers['postures']);
    }

    public static function prerequisites(): iterable
    {
        yield ['lotus', ['half-lotus']];
        yield ['half-lotus-twist', ['half-lotus']];
        yield ['half-lotus-fold-bind', ['half-lotus']];
        yield ['leg-behind-head', ['leg-cradle']];
        yield ['crossed-shin-balance', ['pigeon']];
        yield ['deep-pigeon', ['pigeon', 'camel']];
        yield ['standing-bind', ['tree', 'side-lunge', 'half-split', 'lizard']];
        yield ['feet-to-navel', ['lotus', 'bound-wide-fold', 'camel']];
    }

    public function testNothingStandsBeforeAPostureOfTheGround(): void
    {
        self::assertSame([], Gates::before('figure-four'));
    }
}
