<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Plan\HoldRange;
use LucidAscent\Core\Plan\PainInSession;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Readiness\ReadPoses;

/** An item of a plan in words: its name, how it is done, what is felt and seen, and how one comes out. */
final readonly class ItemText
{
    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * What pages say of an item of a plan.
     *
     * @param array<string, mixed> $item
     *
     * @return array<string, mixed>
     */
    public function of(array $item, string $school): array
    {
        $rung = $this->catalogue->named("$item[posture]/$item[rung]");
        $drill = $this->catalogue->entry(Kind::Drill, $item['drill'] ?? '');

        return ['cues' => $drill['cues'] ?? $rung['cues'] ?? []] + $this->named($item) + [
            'position' => $drill['how'] ?? $rung['position'] ?? [],
            'check' => $rung['check'] ?? [],
            'gentle' => $rung['gentle'] ?? false,
            'stop' => $rung['stop'] ?? [],
            'gentler' => $this->catalogue->instead($rung['knee_safe'] ?? []),
            'way' => $rung['schools'][$school] ?? '',
            'fault' => $rung['fault'] ?? null,
            'wayOut' => $rung['way_out'] ?? '',
            // Press for so much of each repetition, and yield for the rest of it.
            'press' => ($item['repetitions'] ?? null) !== null && (!isset($item['drill']) || ($drill['lasts'] ?? 0) >= HoldRange::PRESS_AND_YIELD) ? HoldRange::PRESS / HoldRange::PRESS_AND_YIELD : 0.0,
            'compensations' => array_map(static fn (array $one): array => ['id' => $one['id'], 'text' => $one['text']], $rung['compensations'] ?? []),
        ];
    }

    /**
     * The same of what is left of a session, with what would end each of them.
     *
     * @param list<array<string, mixed>> $items
     *
     * @return list<array<string, mixed>>
     */
    public function ofSession(array $items, string $school, ?ReadPoses $poses, PainInSession $pains): array
    {
        return array_map(function (array $item) use ($school, $poses, $pains): array {
            $rung = PracticeRung::named("$item[posture]/$item[rung]", $this->catalogue->practice());

            return $this->of($item, $school) + ['endedBy' => null === $rung ? [] : $pains->ending($rung, Side::tryFrom($item['side']), $poses)];
        }, $items);
    }

    /**
     * @param array<string, mixed> $item
     *
     * @return array<string, mixed> the item with the names of what is done
     */
    public function named(array $item): array
    {
        return $item + [
            'name' => $this->catalogue->entry(Kind::Drill, $item['drill'] ?? '')['name'] ?? $this->catalogue->entry(Kind::Posture, $item['posture'])['name'] ?? $item['posture'],
            'rungName' => $this->catalogue->named("$item[posture]/$item[rung]")['name'] ?? $item['rung'],
        ];
    }
}
