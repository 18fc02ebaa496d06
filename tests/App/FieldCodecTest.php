<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Field;
use LucidAscent\App\Catalogue\FieldCodec;
use LucidAscent\App\Catalogue\FieldKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What stands in a form's field, and what it means in an entry. */
final class FieldCodecTest extends TestCase
{
    #[DataProvider('values')]
    public function testAValueSurvivesTheField(FieldKind $kind, mixed $value, mixed $typed): void
    {
        $field = new Field('x', 'X', $kind, '', [], true);
        self::assertSame($typed, FieldCodec::toField($field, $value));
        self::assertEquals($value, FieldCodec::fromField($field, $typed));
    }

    public static function values(): iterable
    {
        yield 'a line' => [FieldKind::Line, 'Pigeon', 'Pigeon'];
        yield 'lines' => [FieldKind::Lines, ['One.', 'Two.'], "One.\nTwo."];
        yield 'a number' => [FieldKind::Number, 12, '12'];
        yield 'a flag' => [FieldKind::Flag, true, true];
        yield 'choices' => [FieldKind::Choices, ['rotation', 'flexion'], ['rotation', 'flexion']];
        yield 'pairs' => [FieldKind::Pairs, ['low-lunge' => 'the back leg: long', 'frog' => 'width'],
            "low-lunge: the back leg: long\nfrog: width"];
        yield 'props' => [FieldKind::Props, [['what' => 'Block', 'found' => 'the gap'],
            ['what' => 'Seat', 'found' => 'until level', 'rule' => 'level-seat'],
            ['what' => 'Blocks', 'found' => 'the gap', 'at' => 'knee', 'rule' => 'knee-block',
                'takes' => ['block' => 2, 'strap' => 1]]],
            "Block | the gap\nSeat | until level | level-seat\nBlocks | the gap | at knee | knee-block | takes 2 block, 1 strap"];
        yield 'a quantity' => [FieldKind::Quantity, ['value' => 2.5, 'unit' => 'minutes', 'source' => 'trade'],
            '2.5 minutes'];
        yield 'a range' => [FieldKind::Range, ['least' => 2, 'most' => 5.5, 'unit' => 'minutes', 'source' => 'trade'],
            '2 to 5.5 minutes'];
        yield 'a range of one figure' => [FieldKind::Range,
            ['least' => 10, 'most' => 10, 'unit' => 'breaths', 'source' => 'trade'], '10 breaths'];
        yield 'thresholds' => [FieldKind::Demand, ['thresholds' => [['component' => 'rotation',
            'at_least' => ['value' => 90, 'unit' => 'degrees', 'source' => 'own']],
            ['component' => 'shoulder-reach', 'at_least' => ['value' => -10, 'unit' => 'cm', 'source' => 'own']]]],
            "rotation 90 degrees\nshoulder-reach -10 cm"];
        yield 'a leg position' => [FieldKind::Demand, ['contact' => 'half-lotus',
            'values' => ['kneeHeight' => 12.5, 'pelvicTilt' => -5.0], 'unit' => 'cm and degrees', 'source' => 'own'],
            'leg half-lotus: kneeHeight 12.5, pelvicTilt -5'];
        yield 'a leg position without values' => [FieldKind::Demand,
            ['contact' => 'cradle', 'values' => [], 'unit' => 'cm and degrees', 'source' => 'own'], 'leg cradle'];
        yield 'what is measured' => [FieldKind::Measured, [['name' => 'gap', 'label' => 'The gap', 'unit' => 'cm']],
            'gap | The gap | cm'];
        yield 'compensations' => [FieldKind::Compensations,
            [['id' => 'the-back-rounds', 'text' => 'The back rounds', 'see' => 'Ribs near the pelvis.']],
            'The back rounds | Ribs near the pelvis.'];
    }

    #[DataProvider('wrong')]
    public function testWhatCannotBeReadIsSaid(FieldKind $kind, mixed $typed, string $said): void
    {
        $this->expectException(\DomainException::class);
        $this->expectExceptionMessage($said);
        FieldCodec::fromField(new Field('x', 'X', $kind), $typed);
    }

    public static function wrong(): iterable
    {
        yield 'nothing' => [FieldKind::Line, '  ', 'needed'];
        yield 'no number' => [FieldKind::Number, 'many', 'number.whole'];
        yield 'a negative number' => [FieldKind::Number, '-1', 'number.whole'];
        yield 'a quantity without unit' => [FieldKind::Quantity, '10', 'number and a unit'];
        yield 'a quantity in words' => [FieldKind::Quantity, 'ten breaths', 'number and a unit'];
        yield 'a range without unit' => [FieldKind::Range, '5 to 10', 'two numbers and a unit'];
        yield 'a range in words' => [FieldKind::Range, 'a while', 'two numbers and a unit'];
        yield 'a range of three' => [FieldKind::Range, '5 to 10 to 15 breaths', 'two numbers and a unit'];
        yield 'a pair without why' => [FieldKind::Pairs, 'low-lunge', 'colon'];
        yield 'a pair with an empty why' => [FieldKind::Pairs, "frog: width\nlow-lunge:", 'low-lunge'];
        yield 'a prop without its height' => [FieldKind::Props, 'Block', 'how its height is found'];
        yield 'a prop that takes none' => [FieldKind::Props, 'Block | the gap | takes 0 block', 'takes 2 block'];
        yield 'a prop that nobody has' => [FieldKind::Props, 'Hammock | the gap | takes 1 hammock',
            'no number of blocks'];
        yield 'a compensation nobody can see' => [FieldKind::Compensations, 'The back rounds |', 'how to see it'];
        yield 'a threshold without number' => [FieldKind::Demand, 'rotation a lot', 'component, number and unit'];
        yield 'a leg value without number' => [FieldKind::Demand, 'leg half-lotus: kneeHeight', 'name and number'];
        yield 'a measure without unit' => [FieldKind::Measured, 'gap | The gap', 'unit'];
    }

    public function testACommaIsADecimalPoint(): void
    {
        self::assertSame(2.5, FieldCodec::fromField(new Field('x', 'X', FieldKind::Quantity), '2,5 minutes')['value']);
    }

    public function testAnIdIsMadeOfPlainLetters(): void
    {
        $id = static fn (string $text): string => FieldCodec::fromField(new Field('x', 'X', FieldKind::Compensations),
            "$text | seen")[0]['id'];
        self::assertSame('uber-kopf', $id('Über Kopf!'));
        self::assertSame('c-3-fingers', $id('3 fingers'));
        self::assertSame('c-', $id('???'));
    }

    public function testWhatIsOptionalMayBeEmpty(): void
    {
        self::assertNull(FieldCodec::fromField(new Field('x', 'X', FieldKind::Pairs, optional: true), ''));
        self::assertSame([], FieldCodec::fromField(new Field('x', 'X', FieldKind::Props, optional: true), ''));
        self::assertSame([], FieldCodec::fromField(new Field('x', 'X', FieldKind::Choices), null));
        self::assertFalse(FieldCodec::fromField(new Field('x', 'X', FieldKind::Flag), null));
    }
}
