<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Exchange\PersonBody;
use LucidAscent\App\Exchange\TestList;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Person\HelpsNow;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use LucidAscent\Core\History\Entry\BodyMeasured;
use LucidAscent\Core\History\History;
use LucidAscent\Core\History\ReadHistory;
use LucidAscent\Core\Plan\PracticeLevel;
use LucidAscent\Core\Plan\Remedy;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Testing\ToolErrors;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Bundle\FrameworkBundle\Test\KernelTestCase;

/** What is proposed for a finding may be practised now, and is the first of all that may. */
final class HelpsNowTest extends KernelTestCase
{
    #[TestWith([12.0, 14.0, false])]
    #[TestWith([24.0, 22.0, false])]
    #[TestWith([12.0, 14.0, true])]
    public function testTheFirstOfAllThatMayBePractised(float $knee, float $stacked, bool $hurts): void
    {
        $catalogue = self::getContainer()->get(Catalogue::class);
        $poses = self::poses($catalogue, $knee, $stacked, $hurts);
        foreach (Remedy::cases() as $i => $remedy) {
            foreach (Side::cases() as $side) {
                $other = Remedy::cases()[($i + 1) % count(Remedy::cases())];
                $helps = HelpsNow::of([$remedy, $other], $catalogue, $poses, $side);
                $postures = array_values(array_filter($helps, static fn (HelpsNow $one): bool => null === $one->drill));
                $drills = array_values(array_filter($helps, static fn (HelpsNow $one): bool => null !== $one->drill));
                self::assertSame(array_slice(self::allPostures([$remedy, $other], $catalogue, $poses, $side), 0, 4),
                    array_map(static fn (HelpsNow $one): array => [$one->posture, $one->rung], $postures));
                self::assertLessThanOrEqual(3, count($drills));
                foreach ($drills as $drill) {
                    self::assertNotSame([], array_intersect([$remedy->value, $other->value],
                        $catalogue->entry(Kind::Drill, (string) $drill->drill)['remedies'] ?? []));
                }
                foreach ($helps as $one) {
                    self::assertTrue(self::isOpen($poses, $one, $side, $catalogue), "$one->posture, $one->rung");
                }
            }
        }
    }

    /**
     * @param list<Remedy> $remedies
     *
     * @return list<array{string, string}> each posture with the rung on which the side is, in their order
     */
    private static function allPostures(array $remedies, Catalogue $catalogue, ReadPoses $poses, Side $side): array
    {
        $all = [];
        foreach ($catalogue->all(Kind::Posture) as $id => $posture) {
            $of = array_keys(array_filter($remedies, static fn (Remedy $remedy): bool => in_array($remedy->value,
                $posture['remedies'] ?? [], true)));
            $rung = $poses->of($id, $side)->onLadder()->rung;
            if ([] !== $of && null !== $rung) {
                $all[] = [[$of[0], array_search($posture['level'] ?? '', PracticeLevel::names(), true),
                    $posture['target']], [$id, $rung->rung->name]];
            }
        }
        usort($all, static fn (array $one, array $two): int => $one[0] <=> $two[0]);

        return array_column($all, 1);
    }

    private static function isOpen(ReadPoses $poses, HelpsNow $one, Side $side, Catalogue $catalogue): bool
    {
        $uses = null === $one->drill ? null : explode('/', $catalogue->entry(Kind::Drill, $one->drill)['uses'].'/')[1];

        return null === $uses ? $poses->of($one->posture, $side)->onLadder()->rung?->rung->name === $one->rung : true
            === $poses->shape($one->posture, $uses, $side)?->isOpen();
    }

    private static function poses(Catalogue $catalogue, float $knee, float $stacked, bool $hurts): ReadPoses
    {
        $proportions = PersonBody::of(Fields::of(['stature' => 171]));
        $on = new \DateTimeImmutable('2026-03-02');
        $tests = [];
        foreach (['left' => 0.0, 'right' => 2.0] as $side => $more) {
            $tests[] = ['test' => 'soles-together', 'side' => $side,
                'trials' => [['kneeHeight' => $knee + $more, 'heelDistance' => 18]]];
            $tests[] = ['test' => 'shins-stacked', 'side' => $side,
                'trials' => [['kneeHeight' => $stacked + $more, 'ankleHeight' => 10]]];
            $tests[] = ['test' => 'frog', 'side' => $side, 'trials' => [['span' => 78 - $more]]];
        }
        $read = TestList::of($tests, $proportions, $catalogue->tests(), $on)->entries;
        $pain = new PainTold('pain', $on, $on, new Pain(4, PainPlace::Knee, PainKind::Ache), Side::Left);
        $history = new History([new BodyMeasured('body', $on, $on, '', $proportions), ...$read, ...$hurts ? [$pain]
            : []], ToolErrors::usual());
        $person = (new ReadHistory($catalogue->postures(), $catalogue->tests()))->snapshot($history, $on)
            ?? self::fail();

        return new ReadPoses($catalogue->postures(), $person, $catalogue->tests());
    }
}
