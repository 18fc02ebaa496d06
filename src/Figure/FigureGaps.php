<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

use LucidAscent\App\Catalogue\CatalogueFolder;
use LucidAscent\App\Catalogue\Fault;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Catalogue\Shapes;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\FigureFaults;
use LucidAscent\Core\Figure\Physique;

/** Poses that cannot be drawn, or not rightly, for a short body or a tall one, on either side. */
final class FigureGaps
{
    public const STATURES = [150.0, 192.0];

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
        foreach ($shapes as [$kind, $id, $place, $shape]) {
            foreach (DemandGaps::of($shape, $find) as $fault) {
                yield [$kind, $id, ltrim("$place/pose", '/'), "$fault."];
            }
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
