<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\FeltInRung;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Figure\FeltMap;
use LucidAscent\App\Repository\Records;
use LucidAscent\App\Text\FeltText;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\Posture\FeltPlace;

/** Where a person has felt what was practised, month by month: on a body, and in words. */
final readonly class FeltMonths
{
    /** So many of the latest months with anything in them are shown. */
    private const MONTHS = 6;

    public function __construct(private Records $records, private Catalogue $catalogue, private FeltText $text)
    {
    }

    /**
     * @return list<array{month: \DateTimeImmutable, front: string, back: string, lines: list<array{what: string,
     *     side: string, place: string, count: int, isRight: bool}>}> the latest month first
     */
    public function of(Practitioner $practitioner, Proportions $body): array
    {
        $months = [];
        foreach ($this->records->felt($practitioner) as $felt) {
            $months[$felt->feltOn->format('Y-m')][] = $felt;
        }
        krsort($months);
        $shown = [];
        foreach (array_slice($months, 0, self::MONTHS, true) as $month => $all) {
            $lines = $this->lines($all);
            $shown[] = [
                'month' => new \DateTimeImmutable("$month-01", new \DateTimeZone('UTC')),
                'lines' => array_values(array_map(static fn (array $line): array => $line[0], $lines)),
            ] + FeltMap::of(Physique::of($body), self::spots($lines));
        }

        return $shown;
    }

    /**
     * @param list<FeltInRung> $all of a month
     *
     * @return array<string, array{array{what: string, side: string, place: string, count: int, isRight: bool}, string,
     *     list<Side>}> each with its place and sides; the wrong ones first, then what was felt most
     */
    private function lines(array $all): array
    {
        $names = $this->catalogue->names(Kind::Posture);
        $lines = [];
        foreach ($all as $felt) {
            $key = "$felt->posture $felt->rung $felt->felt {$felt->side?->value}";
            $count = ($lines[$key][0]['count'] ?? 0) + 1;
            $rung = $this->catalogue->named("$felt->posture/$felt->rung")['name'] ?? $felt->rung;
            $lines[$key] = [
                [
                    'what' => ($names[$felt->posture] ?? $felt->posture).('' === $rung ? '' : ", $rung"),
                    'side' => $felt->side->value ?? 'both',
                    'place' => $this->text->name($felt->felt),
                    'count' => $count,
                    'isRight' => FeltPlace::NOTHING === $felt->felt
                        || '' === $this->text->means($felt->posture, $felt->rung, $felt->felt),
                ],
                $felt->felt,
                null === $felt->side ? Side::cases() : [$felt->side],
            ];
        }
        uasort(
            $lines,
            static fn (array $a, array $b): int => [$a[0]['isRight'], -$a[0]['count']] <=> [
                $b[0]['isRight'],
                -$b[0]['count'],
            ],
        );

        return $lines;
    }

    /**
     * @param array<string, array{array{what: string, side: string, place: string, count: int, isRight: bool}, string,
     *     list<Side>}> $lines
     *
     * @return list<array{place: string, side: Side, count: int, isRight: bool}> one a place and side; wrong in one
     *     rung, it is shown as wrong
     */
    private static function spots(array $lines): array
    {
        $spots = [];
        foreach ($lines as [$line, $place, $sides]) {
            foreach ($sides as $side) {
                $was = $spots["$place $side->value"] ?? ['count' => 0, 'isRight' => true];
                $spots["$place $side->value"] = [
                    'place' => $place,
                    'side' => $side,
                    'count' => $was['count'] + $line['count'],
                    'isRight' => $was['isRight'] && $line['isRight'],
                ];
            }
        }

        return array_values($spots);
    }
}
