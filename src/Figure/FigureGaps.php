<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

use LucidAscent\App\Catalogue\CatalogueFolder;
use LucidAscent\App\Catalogue\Definitions;
use LucidAscent\App\Catalogue\Fault;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Catalogue\Shapes;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Figure\FigureFaults;
use LucidAscent\Core\Figure\Physique;

/** Poses that cannot be drawn, or not rightly, for a short body or a tall one, on either side. */
final class FigureGaps
{
    public const STATURES = [150.0, 192.0];
    /** Degrees: what is drawn a little beyond a right angle is not folded. */
    private const FOLDED = 95.0;

    /** @return list<Fault> */
    public static function inFolder(CatalogueFolder $folder): array
    {
        $faults = [];
        foreach (self::of($folder->entries) as [$kind, $id, $path, $message]) {
            $faults[] = $folder->faultOf($kind, $id, $path, $message);
        }

        return $faults;
    }

    /**
     * @param array<string, array<string, array<string, mixed>>> $entries by kind and id
     *
     * @return iterable<array{Kind, string, string, string}> kind and id of the entry, the place in it, what is wrong
     */
    public static function of(array $entries): iterable
    {
        $shapes = [];
        foreach ($entries[Kind::Posture->value] as $id => $posture) {
            foreach (Shapes::of($posture) as $place => $rung) {
                $shapes["$id/{$rung['id']}"] = [Kind::Posture, $id, $place, $rung];
            }
        }
        $find = static fn (string $posture, string $rung): array => $shapes["$posture/$rung"][3] ??
            throw new \DomainException(sprintf('is like "%s/%s", which there is not.', $posture, $rung));
        foreach ($entries[Kind::Test->value] as $id => $test) {
            $shapes["test $id"] = [Kind::Test, $id, '', $test];
        }
        foreach (Definitions::ofPostures($entries[Kind::Posture->value]) as $id => $posture) {
            foreach ([...$posture->rungs, ...array_merge(...array_values($posture->forms))] as $rung) {
                $fold = self::foldUntold($shapes["$id/$rung->id"][3], $rung->work, $find);
                if (null !== $fold) {
                    yield [
                        Kind::Posture,
                        $id,
                        $shapes["$id/$rung->id"][2],
                        sprintf('folds the other knee by %.0f°, and "other_loads" says nothing of it.', $fold),
                    ];
                }
            }
        }
        foreach ($shapes as [$kind, $id, $place, $shape]) {
            foreach (self::STATURES as $stature) {
                foreach (self::faults($shape, Physique::of(Proportions::of(Length::cm($stature))), $find) as $fault) {
                    yield [
                        $kind,
                        $id,
                        ltrim("$place/pose", '/'),
                        sprintf('at %.0f cm of stature: %s.', $stature, $fault),
                    ];
                }
            }
        }
    }

    /**
     * A knee that hurts is folded by no work on the other side: whoever lies with a foot on the floor rests it.
     *
     * @param array<string, mixed> $shape a rung
     * @param callable(string, string): array<string, mixed> $find
     *
     * @return float|null degrees by which the other knee is folded, and nothing says so
     */
    private static function foldUntold(array $shape, Work $work, callable $find): ?float
    {
        // What is deep is closed anyway while the other side rests, and its other leg may often lie elsewhere.
        if (
            !$work->isGentle
            || $work->usesBothLegs
            || in_array(Load::KneeFolded->value, $work->otherLegLoads, true)
            || in_array(Load::OnTheBack->value, $work->loads, true)
            || !isset($shape['pose'])
        ) {
            return null;
        }
        try {
            $figure = RungFigures::ofRung(
                $shape,
                Physique::of(Proportions::of(Length::cm(self::STATURES[0]))),
                Side::Left,
                null,
                $find,
            )->figure;
        } catch (\DomainException|\LogicException|\ValueError) {
            return null;
        }
        $knee = $figure->ofWorking('other-knee');
        [$thigh, $shin] = [
            $figure->ofWorking('other-hip')->minus($knee),
            $figure->ofWorking('other-ankle')->minus($knee),
        ];
        $fold = 180.0 - rad2deg(acos(max(-1.0, min(1.0, $thigh->dot($shin) / ($thigh->length() * $shin->length())))));

        return $fold > self::FOLDED ? $fold : null;
    }

    /**
     * @param array<string, mixed> $shape a rung or a test
     * @param callable(string, string): array<string, mixed> $find
     *
     * @return list<string>
     */
    public static function faults(array $shape, Physique $body, callable $find): array
    {
        if (!isset($shape['pose'])) {
            return ['says not how it is drawn'];
        }
        $faults = [];
        foreach (Side::cases() as $side) {
            try {
                array_push(
                    $faults,
                    ...array_map(
                        static fn (string $fault): string => "$side->value: $fault",
                        FigureFaults::of(RungFigures::ofRung($shape, $body, $side, null, $find)->figure),
                    ),
                );
            } catch (\DomainException|\LogicException|\ValueError $e) {
                return [$e->getMessage()];
            }
        }

        return $faults;
    }
}
