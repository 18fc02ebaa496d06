<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Vector;

/**
 * From where a figure is looked at, in parallel projection. A yaw of 0 looks the person in the face, 90 sees the
 * left side; the pitch is how far the eye is raised. On the picture x runs to the right and y down, in cm.
 */
final readonly class View
{
    public const NAMES = ['front', 'back', 'left', 'right', 'side', 'above', 'three-quarter'];

    private Vector $right;
    private Vector $up;
    private Vector $towards;

    private function __construct(public string $name, float $yaw, float $pitch)
    {
        [$y, $p] = [deg2rad($yaw), deg2rad($pitch)];
        $this->right = new Vector(-sin($y), cos($y), 0.0);
        $this->up = new Vector(-sin($p) * cos($y), -sin($p) * sin($y), cos($p));
        $this->towards = new Vector(cos($p) * cos($y), cos($p) * sin($y), sin($p));
    }

    /**
     * @param string $name one of NAMES; "side" and "three-quarter" are seen from the side that works
     * @param bool $isLying whether the body lies along the floor: then nobody is looked at along the length of it
     */
    public static function of(string $name, Side $working, bool $isLying): self
    {
        $sign = $working->outward();
        [$yaw, $pitch] = match ($name) {
            'front' => $isLying ? [$sign * 58.0, 32.0] : [$sign * 8.0, 12.0],
            'back' => $isLying ? [$sign * 122.0, 32.0] : [180.0 - $sign * 8.0, 12.0],
            'left' => [90.0, 7.0],
            'right' => [-90.0, 7.0],
            'side' => [$sign * 84.0, $isLying ? 10.0 : 7.0],
            'above' => $isLying ? [$sign * 90.0, 78.0] : [180.0, 80.0],
            default => $isLying ? [$sign * 66.0, 26.0] : [$sign * 38.0, 16.0],
        };

        return new self($name, $yaw, $pitch);
    }

    /** @return array{float, float} across and down, in cm */
    public function at(Vector $point): array
    {
        return [$point->dot($this->right), -$point->dot($this->up)];
    }

    /** The larger the nearer. */
    public function depth(Vector $point): float
    {
        return $point->dot($this->towards);
    }
}
