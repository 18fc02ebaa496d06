<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\InvalidValue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** JSON objects are read strictly, and a fault names the field with its path. */
final class FieldsTest extends TestCase
{
    public function testWhatIsThereIsRead(): void
    {
        $fields = Fields::of(['n' => 3, 'f' => 2.5, 't' => 'x', 'b' => true, 'o' => ['in' => 1],
            'l' => [['a' => 1], ['a' => 2]], 'nothing' => null]);
        self::assertSame(3.0, $fields->number('n'));
        self::assertSame(2.5, $fields->number('f'));
        self::assertSame(7.0, $fields->number('missing', 7.0));
        self::assertSame(7.0, $fields->number('nothing', 7.0));
        self::assertNull($fields->optionalNumber('nothing'));
        self::assertSame('x', $fields->text('t'));
        self::assertSame('d', $fields->text('missing', 'd'));
        self::assertTrue($fields->flag('b'));
        self::assertFalse($fields->flag('missing'));
        self::assertSame(1.0, $fields->object('o')->number('in'));
        self::assertSame([1.0, 2.0], array_map(static fn (Fields $item): float => $item->number('a'),
            $fields->objects('l')));
    }

    #[DataProvider('faults')]
    public function testAFaultNamesItsPlace(callable $read, string $place): void
    {
        try {
            $read(Fields::of(['t' => '3', 'b' => 1, 'n' => true, 'inf' => INF, 'l' => [1], 'list' => [[], 5],
                'o' => ['in' => 'x']]));
            self::fail('A wrong value was taken.');
        } catch (InvalidValue $e) {
            self::assertStringStartsWith($place, $e->getMessage());
        }
    }

    public static function faults(): iterable
    {
        yield 'missing' => [static fn (Fields $f) => $f->number('missing'), 'missing is missing'];
        yield 'a text for a number' => [static fn (Fields $f) => $f->number('t'), 't must be a number'];
        yield 'true for a number' => [static fn (Fields $f) => $f->number('n'), 'n must be a number'];
        yield 'infinite' => [static fn (Fields $f) => $f->number('inf'), 'inf must be a finite number'];
        yield 'one for true' => [static fn (Fields $f) => $f->flag('b'), 'b must be true or false'];
        yield 'true for a text' => [static fn (Fields $f) => $f->text('n'), 'n must be a text'];
        yield 'a list for an object' => [static fn (Fields $f) => $f->object('l'), 'l must be a JSON object'];
        yield 'an object for a list' => [static fn (Fields $f) => $f->objects('o'), 'o must be a list'];
        yield 'in an object' => [static fn (Fields $f) => $f->object('o')->number('in'), 'o.in must be a number'];
        yield 'in a list' => [static fn (Fields $f) => $f->objects('list'), 'list[1] must be a JSON object'];
    }

    public function testOnlyAnObjectIsOne(): void
    {
        foreach ([null, 5, 'x', [1, 2], true] as $value) {
            try {
                Fields::of($value);
                self::fail('Something else was taken for an object.');
            } catch (InvalidValue $e) {
                self::assertSame('The case must be a JSON object.', $e->getMessage());
            }
        }
    }
}
