<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Json\JsonText;
use LucidAscent\App\Json\PainFields;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class JsonTextTest extends TestCase
{
    #[TestWith(['{"a":1,"a":2}', ['a' => 1, 'a, said again 1' => 2]])]
    #[TestWith(['{"a":1,"\u0061" : {"b":1},"a":3}',
        ['a' => 1, 'a, said again 1' => ['b' => 1], 'a, said again 2' => 3]])]
    #[TestWith(['[{"a":1},{"a":2}]', [['a' => 1], ['a' => 2]]])]
    #[TestWith(['{"a":{"a":1},"b":["a","a:","\"a\":"]}', ['a' => ['a' => 1], 'b' => ['a', 'a:', '"a":']]])]
    #[TestWith(['{"0":1,"0":2}', ['0' => 1, '0, said again 1' => 2]])]
    #[TestWith(['{"a":{},"b":[]}', ['a' => [], 'b' => []]])]
    #[TestWith(['"x"', 'x'])]
    #[TestWith(['{', null])]
    public function testNothingIsLostThatIsSaidTwice(string $text, mixed $value): void
    {
        self::assertSame($value, JsonText::decode($text, 1000));
    }

    public function testItIsBoundedBeforeItIsLookedAt(): void
    {
        $deep = static fn (int $by): string => str_repeat('[', $by).str_repeat(']', $by);
        self::assertIsArray(JsonText::decode($deep(31), 1000));
        self::assertNull(JsonText::decode($deep(33), 1000));
        self::assertNull(JsonText::decode('["'.str_repeat('x', 1000).'"]', 1000));
        self::assertNull(JsonText::decode('['.implode(',', array_fill(0, 120_001, '[]')).']', 1_000_000));
        self::assertNull(JsonText::decode('['.str_repeat('0,', 1_000_001).'0]', 10_000_000));
    }

    public function testPainIsFoundHoweverDeepAndOften(): void
    {
        $deep = ['level' => 3, 'where' => 'knee', 'kind' => 'ache'];
        for ($i = 0; $i < 400; ++$i) {
            $deep = [0 === $i ? 'pain' : 'x' => $deep, 'y' => 'fine'];
        }
        self::assertEquals([new Pain(3, PainPlace::Knee, PainKind::Ache)], PainFields::inUnreadable($deep));
        self::assertEquals([Pain::unreadable()], PainFields::inUnreadable([[['the knee hurts']]]));
        self::assertSame([], PainFields::inUnreadable([[['no pain'], 'pain' => []]]));
    }

    public function testOfMoreThanAnybodyTellsTheWorstOfEachPlaceStands(): void
    {
        $one = static fn (int $level, PainPlace $place, ?Side $side = null): array => [new Pain($level, $place,
            PainKind::Ache), $side, 'half-lotus', "rung $level"];
        $few = array_map(static fn (int $i): array => $one(1 + $i % 3, PainPlace::Knee), range(1, 60));
        self::assertSame($few, RecordPain::bounded($few), 'Each for itself.');
        $many = [...$few, $one(2, PainPlace::Neck), $one(5, PainPlace::Knee, Side::Left)];
        self::assertEquals([$one(3, PainPlace::Knee), $one(2, PainPlace::Neck), $one(5, PainPlace::Knee, Side::Left)],
            RecordPain::bounded($many));
    }
}
