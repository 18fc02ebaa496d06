<?php

declare(strict_types=1);

namespace LucidAscent\Core\Posture;

/** One body in the shape: what that asks of its joints, and what is missing between the hand and where it is to get. */
interface BodyReach
{
    /** @return list<JointAsked> */
    public function asks(): array;

    /**
     * What is missing, in cm; below zero by how much the hand gets past.
     *
     * @param array<string, float> $short how much of each ability is missing, in its unit, by JointAsked::name; below
     *     zero where there is more than is asked
     */
    public function gap(array $short): float;
}
