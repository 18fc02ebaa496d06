<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Figure\RungFigures;
use LucidAscent\App\Json\JsonText;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\DrawnAngles;
use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\Picture\CameraView;
use LucidAscent\Core\Picture\JudgedLine;
use LucidAscent\Core\Picture\Landmark;
use LucidAscent\Core\Picture\ReadLine;
use LucidAscent\Core\Picture\RungPicture;
use LucidAscent\Core\Picture\UnreadPicture;

/** Pictures of rungs, read against the figure of the rung for this body. */
final readonly class RungPictures
{
    /** A knee that is bent further has an ankle to look after, in degrees. */
    private const FOLDED = 60.0;

    public function __construct(private Catalogue $catalogue, private RungFigures $figures)
    {
    }

    /** @return array<string, list<JudgedLine>> by which a rung is judged, by the view from which they are seen */
    public function lines(string $posture, string $rung, Side $side, Proportions $body): array
    {
        $target = $this->figure($posture, $rung, $side, $body);
        $lines = $this->judged($posture, $rung, $target, $side);
        $of = [];
        foreach (CameraView::cases() as $view) {
            $of[$view->value] = RungPicture::seen($target, $view, $lines);
        }

        return $of;
    }

    /** From where it is seen best. */
    public function view(string $posture, string $rung): CameraView
    {
        return CameraView::ofShape((string) ($this->catalogue->named("$posture/$rung")['view'] ?? 'front'));
    }

    /**
     * @param array<string, array{float, float}> $points by landmark, as shares of width and height
     *
     * @return non-empty-list<ReadLine>
     *
     * @throws UnreadPicture when nothing can be read of them
     */
    public function read(
        string $posture,
        string $rung,
        Side $side,
        Proportions $body,
        CameraView $view,
        array $points,
        int $width,
        int $height,
    ): array {
        $target = $this->figure($posture, $rung, $side, $body);

        return RungPicture::read(
            $target,
            $view,
            array_map(static fn (array $at): array => [$at[0] * $width, $at[1] * $height], $points),
            (float) max($width, $height),
            $this->judged($posture, $rung, $target, $side),
        );
    }

    /** @return list<ReadLine> of one that was kept; none where its points say nothing */
    public function ofKept(StoredPicture $picture, Proportions $body): array
    {
        [$posture, $rung] = explode('/', $picture->test) + [1 => ''];
        if (null === $picture->side || null === $picture->view || null === $this->catalogue->rung($posture, $rung)) {
            return [];
        }
        try {
            return $this->read(
                $posture,
                $rung,
                $picture->side,
                $body,
                $picture->view,
                $picture->points ?? [],
                $picture->width,
                $picture->height,
            );
        } catch (UnreadPicture) {
            return [];
        }
    }

    /**
     * @return array<string, array{float, float}>|null shares of width and height by landmark; null when they are none
     */
    public static function points(string $sent): ?array
    {
        return JsonText::shares($sent, array_map(static fn (Landmark $one): string => $one->value, Landmark::cases()));
    }

    /** @return list<JudgedLine> */
    private function judged(string $posture, string $rung, Figure $target, Side $side): array
    {
        return JudgedLine::of(
            array_keys($this->catalogue->ladder($posture)->rung($rung)->compensations),
            DrawnAngles::asAbilities($target, $side)[Ability::KneeFlexion->value] > self::FOLDED,
        );
    }

    private function figure(string $posture, string $rung, Side $side, Proportions $body): Figure
    {
        return $this->figures->of($posture, $rung, Physique::of($body), $side)->figure;
    }
}
