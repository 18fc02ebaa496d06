<?php

declare(strict_types=1);

namespace LucidAscent\Tests\Core\Caution;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Caution\Words\Meaning;
use LucidAscent\Core\Caution\Words\ReadWords;
use LucidAscent\Core\Caution\Words\Words;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class ReadWordsTest extends TestCase
{
    #[TestWith([''])]
    #[TestWith(['  '])]
    #[TestWith(['-'])]
    #[TestWith(['None'])]
    #[TestWith(['n/a'])]
    #[TestWith(['N/A.'])]
    #[TestWith(['nothing'])]
    #[TestWith(['Healthy'])]
    #[TestWith(['No pain'])]
    #[TestWith(['no pain.'])]
    #[TestWith(['No pain at all'])]
    #[TestWith(['No knee pain'])]
    #[TestWith(['Pain-free'])]
    #[TestWith(['pain free throughout'])]
    #[TestWith(['Pain: none'])]
    #[TestWith(['Nothing hurts'])]
    #[TestWith(['Nothing that hurts.'])]
    #[TestWith(['Without pain or numbness'])]
    #[TestWith(['No pain, no numbness, no tingling'])]
    #[TestWith(['No pain in the left knee'])]
    #[TestWith(['The knee doesn’t hurt'])]
    #[TestWith(['Did not feel any pain'])]
    #[TestWith(['never any pain'])]
    #[TestWith(['Never injured'])]
    #[TestWith(['No injuries'])]
    #[TestWith(['no surgery'])]
    #[TestWith(['Painless throughout'])]
    #[TestWith(['Felt the stretch strongly in the outer hip'])]
    #[TestWith(['Tight today, breathing even'])]
    #[TestWith(['Outer hip opens well, knee stays quiet'])]
    #[TestWith(['Painted the studio; the numbers are in the book'])]
    #[TestWith(['Two blankets under the seat, block under the left knee'])]
    #[TestWith(['An old mat; sometimes tired, no longer shy'])]
    public function testOrdinaryWordsHoldNothing(string $text): void
    {
        self::assertEquals(new Words(Meaning::Nothing), ReadWords::of($text));
        self::assertFalse(ReadWords::of($text)->ask());
    }

    #[TestWith(['My hip clicks'])]
    #[TestWith(['IT band'])]
    #[TestWith(['tight iliotibial band, knees crack'])]
    public function testWhatManyHaveAsksAndHoldsNothing(string $text): void
    {
        foreach ([ReadWords::of($text), ReadWords::named($text)] as $words) {
            self::assertSame(Meaning::Question, $words->meaning);
            self::assertTrue($words->ask());
            self::assertFalse($words->hold());
        }
    }

    /** What stands beside it may tell of more; and painless is what clicks, not whatever stands beside that word. */
    #[TestWith(['hip pops out', Meaning::Condition])]
    #[TestWith(['hip snaps out of place', Meaning::Condition])]
    #[TestWith(['knee clicks when it gives out', Meaning::Condition])]
    #[TestWith(['hips click and catch', Meaning::Condition])]
    #[TestWith(['my unstable shoulder clunks', Meaning::Condition])]
    #[TestWith(['painless swelling of the knee', Meaning::Condition])]
    #[TestWith(['painless, but gives out and clicks', Meaning::Condition])]
    #[TestWith(['painless lump in the left knee', Meaning::Condition])]
    #[TestWith(['a painless knee', Meaning::Condition])]
    #[TestWith(['knee does not click', Meaning::Condition])]
    #[TestWith(['painless clicking', Meaning::Nothing])]
    #[TestWith(['Hips crack painlessly', Meaning::Nothing])]
    #[TestWith(['painless', Meaning::Nothing])]
    #[TestWith(['tight IT band on the left side, clicks sometimes', Meaning::Question])]
    #[TestWith(['the neck cracks, and both knees when squatting', Meaning::Question])]
    public function testNamedAsAConditionItIsHarmlessOnlyByItself(string $text, Meaning $meaning): void
    {
        self::assertSame($meaning, ReadWords::named($text)->meaning);
        self::assertSame(Meaning::Condition === $meaning, ReadWords::named($text)->hold());
    }

    #[TestWith(['My hip clicks and hurts', Meaning::Pain])]
    #[TestWith(['hip clicks. Sharp in the groin', Meaning::Pain])]
    #[TestWith(['the hip clicks since the surgery', Meaning::Condition])]
    #[TestWith(['IT band syndrome', Meaning::Condition])]
    #[TestWith(['hip clicks, no longer painful', Meaning::Unclear])]
    public function testWhatElseIsSaidBesideItHolds(string $text, Meaning $meaning): void
    {
        self::assertSame($meaning, ReadWords::of($text)->meaning);
        self::assertTrue(ReadWords::of($text)->hold());
        self::assertSame(Meaning::Condition, ReadWords::named($text)->meaning);
    }

    /** @param list<string> $places */
    #[TestWith(['Knee hurts', Meaning::Pain, ['knee']])]
    #[TestWith(['left knee sore afterwards', Meaning::Pain, ['knee'], Side::Left])]
    #[TestWith(['ACHING hip, right', Meaning::Pain, ['hip'], Side::Right])]
    #[TestWith(['pins and needles in both feet', Meaning::Pain])]
    #[TestWith(['the knee gives way on stairs', Meaning::Pain, ['knee']])]
    #[TestWith(['knee locked for a moment', Meaning::Pain, ['knee']])]
    #[TestWith(['a bit of a twinge', Meaning::Pain])]
    #[TestWith(['numb toes', Meaning::Pain])]
    #[TestWith(['Sharp when folding', Meaning::Pain])]
    #[TestWith(['swollen left knee and right knee', Meaning::Pain, ['knee']])]
    #[TestWith(['No pain, but the knee was sore at night', Meaning::Pain, ['knee']])]
    #[TestWith(['no pain left, right knee hurts', Meaning::Pain, ['knee']])]
    #[TestWith(['No change in pain', Meaning::Pain])]
    #[TestWith(["No pain in class.\nTingling afterwards", Meaning::Pain])]
    #[TestWith(['torn meniscus', Meaning::Condition, ['knee']])]
    #[TestWith(['ACL reconstruction and surgery, r knee', Meaning::Condition, ['knee'], Side::Right])]
    #[TestWith(['Replaced hip', Meaning::Condition, ['hip']])]
    #[TestWith(['sciatica', Meaning::Condition, ['back']])]
    #[TestWith(['Pregnant, 20 weeks', Meaning::Condition, ['pregnancy']])]
    #[TestWith(['neck operated on', Meaning::Condition, ['neck']])]
    #[TestWith(['no longer hurts', Meaning::Unclear])]
    #[TestWith(['The old knee injury has healed', Meaning::Unclear, ['knee']])]
    #[TestWith(['not quite pain-free', Meaning::Unclear])]
    #[TestWith(['not without pain', Meaning::Unclear])]
    #[TestWith(['sometimes no pain', Meaning::Unclear])]
    #[TestWith(['sometimes no pain. Torn meniscus', Meaning::Condition, ['knee']])]
    #[TestWith(['Torn meniscus; no longer hurts. All well', Meaning::Condition, ['knee']])]
    #[TestWith(['no longer hurts. All well', Meaning::Unclear])]
    #[TestWith(['All well. The knee hurts; torn meniscus', Meaning::Pain, ['knee']])]
    public function testWhatHurtsOrIsTheMatterAsks(
        string $text,
        Meaning $meaning,
        array $places = [],
        ?Side $side = null,
    ): void {
        $words = ReadWords::of($text);
        self::assertSame([$meaning, $places, $side], [$words->meaning, $words->places, $words->side]);
        self::assertTrue($words->ask());
    }

    public function testWhatIsNamedHoldsWhatThatPartBears(): void
    {
        self::assertSame([Load::KneeFolded, Load::TurnOut], ReadWords::named('bad knee')->loads());
        self::assertSame([Load::LoadedFold, Load::Twist, Load::Neck, Load::HeadLow],
            ReadWords::named('Stiff low back and neck')->loads());
        self::assertSame([Load::HipFlexedEnd, Load::TurnIn, Load::TurnOut, Load::Crossing],
            ReadWords::named('hips')->loads());
        self::assertContains(Load::Prone, ReadWords::named('pregnancy')->loads());
        self::assertSame([], ReadWords::named('asthma')->loads());
        self::assertSame(Side::Left, ReadWords::named('left knee')->side);
        self::assertSame([Load::KneeFolded, Load::TurnOut, Load::HipFlexedEnd, Load::TurnIn, Load::Crossing],
            ReadWords::named('knee and hip')->loads(), 'Each once.');
        self::assertSame([Side::Right, Side::Left, null, null], [ReadWords::named('knee')->of(Side::Right),
            ReadWords::named('left knee')->of(Side::Right), ReadWords::named('left hip and neck')->of(Side::Right),
            ReadWords::named('hip')->of(null)]);
        self::assertFalse(ReadWords::named('n/a')->ask());
        self::assertSame(Meaning::Condition, ReadWords::named('never had a bad knee')->meaning, 'That asks.');
    }
}
