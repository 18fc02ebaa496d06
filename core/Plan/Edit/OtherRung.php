<?php

declare(strict_types=1);

namespace LucidAscent\Core\Plan\Edit;

use LucidAscent\Core\Plan\PlannedItem;
use LucidAscent\Core\Plan\PlannedSession;
use LucidAscent\Core\Plan\PracticeRung;
use LucidAscent\Core\Readiness\ReadPoses;

/** The rung above or below in its place, with the hold with which that one begins; what is repeated has none. */
final readonly class OtherRung implements Edit
{
    /** @param array<string, list<PracticeRung>> $ladders by posture */
    public function __construct(private bool $isHarder, private array $ladders, private ReadPoses $poses)
    {
    }

    public function apply(PlannedSession $session, int $at): PlannedSession
    {
        return $session->doing(
            Block::at($session->items, $at)->working(
                $session->items,
                fn (PlannedItem $item): PlannedItem => $this->other($item, $session),
            ),
        );
    }

    private function other(PlannedItem $item, PlannedSession $session): PlannedItem
    {
        $ladder = null === $item->drill ? $this->ladders[$item->rung->posture] ?? [] : [];
        foreach ($ladder as $i => $rung) {
            $isHere = in_array(
                $item->rung->rung->id,
                array_map(static fn (PracticeRung $one): string => $one->rung->id, [$rung, ...$rung->forms]),
                true,
            );
            $other = $ladder[$i + ($this->isHarder ? 1 : -1)] ?? null;
            if ($isHere && null !== $other && null !== $session->dose) {
                return $item->on($other, $session->dose)->measured($this->poses);
            }
        }

        return $item;
    }
}
