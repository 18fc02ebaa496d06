<?php

declare(strict_types=1);

namespace LucidAscent\App\Entity;

use Doctrine\ORM\Mapping as ORM;
use LucidAscent\App\Database\MomentType;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Picture\CameraView;
use Symfony\Bridge\Doctrine\Types\UuidType;
use Symfony\Component\Uid\Uuid;

/**
 * A picture that a teacher chose to keep: of a test, of a rung as "posture/rung", or of what was asked; its pixels are
 * in a file of this id, outside the web root.
 */
#[ORM\Entity(readOnly: true), ORM\Table(name: 'kept_picture')]
#[ORM\Index(columns: ['practitioner_id', 'at'])]
class StoredPicture
{
    /** Of no test, but of what somebody asked. */
    public const QUESTION = 'question';

    /** The lines between points that were marked. */
    private const LINES = [
        ['hip', 'knee'],
        ['knee', 'ankle'],
        ['floorA', 'floorB'],
        ['ankle', 'toe'],
        ['hip', 'other-hip'],
        ['shoulder', 'other-shoulder'],
        ['pelvis', 'chest'],
        ['chest', 'neck'],
        ['other-knee', 'other-ankle'],
        ['levelA', 'levelB'],
    ];

    /**
     * @param array<string, array{float, float}>|null $points where landmarks are, as shares of width and height; null
     *     before any were kept
     */
    public function __construct(
        #[ORM\Id, ORM\Column(type: UuidType::NAME)]
        public readonly Uuid $id,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Practitioner $practitioner,
        #[ORM\ManyToOne, ORM\JoinColumn(nullable: false)]
        public readonly Teacher $by,
        #[ORM\Column(type: MomentType::NAME)]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(length: 90)]
        public readonly string $test,
        #[ORM\Column]
        public readonly int $width,
        #[ORM\Column]
        public readonly int $height,
        #[ORM\Column(nullable: true)]
        public readonly ?array $points = null,
        /** The side of a rung that works; null in a picture of anything else. */
        #[ORM\Column(length: 5, nullable: true)]
        public readonly ?Side $side = null,
        /** From where a rung was taken. */
        #[ORM\Column(length: 10, nullable: true)]
        public readonly ?CameraView $view = null,
    ) {
    }

    /**
     * @return list<array{float, float, float, float}> lines in the picture's own pixels: thigh, shin and floor, as far
     *     as they were marked
     */
    public function lines(): array
    {
        $lines = [];
        foreach (self::LINES as [$from, $to]) {
            $one = $this->points[$from] ?? null;
            $other = $this->points[$to] ?? null;
            if (null !== $one && null !== $other) {
                $lines[] = [
                    $one[0] * $this->width,
                    $one[1] * $this->height,
                    $other[0] * $this->width,
                    $other[1] * $this->height,
                ];
            }
        }

        return $lines;
    }
}
