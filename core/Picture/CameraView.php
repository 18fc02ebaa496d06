<?php

declare(strict_types=1);

namespace LucidAscent\Core\Picture;

use LucidAscent\Core\LegChain\Vector;

/** From where a picture was taken, square on. Level is the floor there; from above, the front edge of the mat. */
enum CameraView: string
{
    case Front = 'front';
    case Side = 'side';
    case Above = 'above';

    /**
     * A point of a body on the picture, in parallel projection: across and down, in cm.
     *
     * @param float $yaw how far the camera looks past square, in degrees, to its own left
     * @param float $pitch likewise, downwards
     *
     * @return array{float, float}
     */
    public function at(Vector $point, float $yaw = 0.0, float $pitch = 0.0): array
    {
        // Across, up and towards the camera.
        [$x, $y, $z] = match ($this) {
            self::Front => [$point->y, $point->z, $point->x],
            self::Side => [-$point->x, $point->z, $point->y],
            self::Above => [$point->y, -$point->x, $point->z],
        };
        [$sinYaw, $cosYaw] = [sin(deg2rad($yaw)), cos(deg2rad($yaw))];
        [$sinPitch, $cosPitch] = [sin(deg2rad($pitch)), cos(deg2rad($pitch))];
        [$x, $z] = [$cosYaw * $x - $sinYaw * $z, $sinYaw * $x + $cosYaw * $z];

        return [$x, -($cosPitch * $y - $sinPitch * $z)];
    }

    /** By the name under which the catalogue says from where a shape is seen best. */
    public static function ofShape(string $view): self
    {
        return match ($view) {
            'above' => self::Above,
            'side', 'three-quarter', 'left', 'right' => self::Side,
            default => self::Front,
        };
    }
}
