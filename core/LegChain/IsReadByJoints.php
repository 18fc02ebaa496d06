<?php

declare(strict_types=1);

namespace LucidAscent\Core\LegChain;

use LucidAscent\Core\Body\Body;

/** The angles of a leg whose joints are known: the same for every reading that fixes it in space. */
trait IsReadByJoints
{
    public function pose(Body $body): LegPose
    {
        $joints = $this->joints($body);

        return new LegPose(
            $this->read($joints),
            new Vector($joints[0], $joints[1], $joints[2]),
            new Vector($joints[3], $joints[4], $joints[5]),
            new Vector($joints[6], $joints[7], $joints[8]),
        );
    }

    public function angles(Body $body): array
    {
        return $this->read($this->joints($body))->toArray();
    }

    /** @param array{float, float, float, float, float, float, float, float, float} $joints */
    private function read(array $joints): LegAngles
    {
        [$hx, $hy, $hz, $kx, $ky, $kz, $ax, $ay, $az] = $joints;
        $angles =
            LegChain::angles($kx - $hx, $ky - $hy, $kz - $hz, $ax - $kx, $ay - $ky, $az - $kz, $this->pelvicTilt()) ??
            throw StraightKnee::rotationUnreadable();

        return new LegAngles($angles[0], $angles[1], $angles[2], $angles[3]);
    }
}
