<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Testing;

use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\Formula;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\TestDefinition;
use LucidAscent\Core\Testing\Tool;
use LucidAscent\Core\Testing\TrialCheck;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TrialCheckTest extends TestCase
{
    /** @return iterable<string, array{TestDefinition, string, float, float}> */
    public static function ranges(): iterable
    {
        yield 'a height' => [Definition::solesTogether(), 'kneeHeight', 0.0, 250.0];
        yield 'a number of no unit that is known' => [Definition::solesTogether(), 'else', 0.0, 250.0];
        yield 'a gap that may be an overlap' => [Definition::reach(), 'gap', -60.0, 250.0];
        yield 'an angle' => [Definition::figureFour(), 'angle', -90.0, 200.0];
        yield 'an answer' => [Definition::watched(), 'even', 0.0, 1.0];
    }

    #[DataProvider('ranges')]
    public function testANumberIsOfItsRangeAndTheEndsBelongToIt(
        TestDefinition $test,
        string $name,
        float $least,
        float $most,
    ): void {
        self::assertSame([$least, $most], TrialCheck::range($test, $name));
        foreach ([[$least, true], [$most, true], [$least - 0.1, false], [$most + 0.1, false], [NAN, false]] as [$value,
            $isIn]) {
            self::assertSame($isIn, TrialCheck::isInRange($test, $name, $value));
        }
    }

    public function testATrialHasToBeOfThisBody(): void
    {
        $isOf = static fn (TestDefinition $test, array $trial, Tool $tool = Tool::Tape): bool => TrialCheck::isOfBody(
            $test, $trial, Side::Left, $tool, new Sitting(), Proportions::of(Length::cm(170)));
        self::assertTrue($isOf(Definition::solesTogether(), ['kneeHeight' => 20.0, 'heelDistance' => 20.0]));
        self::assertFalse($isOf(Definition::solesTogether(), ['kneeHeight' => 90.0, 'heelDistance' => 20.0]),
            'No knee is higher above the floor than a leg is long.');
        self::assertFalse($isOf(Definition::solesTogether(), ['kneeHeight' => 20.0]), 'Nothing can be read of that.');
        self::assertTrue($isOf(Definition::watched(), []), 'What is watched is of any body.');
    }

    public function testNumbersThatNobodyReadAreNamed(): void
    {
        $taken = static fn (array ...$trials): TakenTest => new TakenTest('soles-together', Side::Left, Tool::Tape,
            $trials);
        $readable = static fn (array ...$trials): bool => TrialCheck::isReadable(Definition::solesTogether(),
            $taken(...$trials));
        self::assertTrue($readable(['kneeHeight' => 20.0, 'heelDistance' => 20.0]));
        self::assertFalse($readable(['kneeHeight' => 20.0, 'heelDistance' => 20.0], ['kneeHeight' => -1.0]));
        self::assertTrue($readable(['kneeHeight' => 20.0, 'something else' => 249.0]), 'Of what it does not measure.');
        self::assertTrue(TrialCheck::isReadable(null, $taken(['kneeHeight' => 249.0])), 'Of a test that is no more.');
        self::assertFalse(TrialCheck::isReadable(null, $taken(['kneeHeight' => NAN])));
    }

    public function testWhatShowsNothingSaysWhy(): void
    {
        $body = Proportions::of(Length::cm(170.0));
        $why = static fn (TestDefinition $test, array $trial): ?string => TrialCheck::showsNothing($test,
            new TakenTest($test->id, Side::Left, Tool::Tape, [$trial]), $body);
        self::assertNull($why(Definition::solesTogether(), ['kneeHeight' => 20.0, 'heelDistance' => 20.0]));
        self::assertNull($why(Definition::solesTogether(), ['kneeHeight' => 90.0, 'heelDistance' => 20.0]),
            'That is of no body, and another fault.');
        $kneeling = new TestDefinition('kneeling-backbend', 'Kneeling', 11, Formula::named('direct'),
            ['spine-extension' => Bound::Exact], ['blockHeight' => 'cm'], [], 2.0);
        self::assertNull($why($kneeling, ['blockHeight' => 30.0]));
        self::assertNotNull($why($kneeling, ['blockHeight' => 110.0]), 'Hands reach so high without a bend.');
        self::assertTrue(TrialCheck::isOfBody($kneeling, ['blockHeight' => 110.0], Side::Left, Tool::Tape,
            new Sitting(), $body));
    }
}
