<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\DrawnShape;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Catalogue\PoseText;
use LucidAscent\App\Catalogue\Shapes;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\Figure\Tape;
use LucidAscent\Core\LegChain\LegPose;

/** Every rung and form of the catalogue as a figure. */
final readonly class RungFigures
{
    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * @param LegPose|null $asRead the leg as it was reckoned for this person, where it was
     *
     * @throws \OutOfBoundsException when the catalogue has no such rung
     */
    public function of(string $posture, string $rung, Physique $body, Side $side, ?LegPose $asRead = null): DrawnFigure
    {
        return self::ofRung($this->rung($posture, $rung), $body, $side, $asRead, $this->rung(...));
    }

    /**
     * @param array<string, mixed> $test as written in the catalogue
     * @param LegPose|null $leg as it was measured, on the side that works
     * @param LegPose|null $other likewise, on the other
     */
    public function ofTest(
        array $test,
        Physique $body,
        Side $side,
        ?LegPose $leg = null,
        ?LegPose $other = null,
    ): DrawnFigure {
        $drawn = self::ofRung($test, $body, $side, $leg, $this->rung(...), $other);
        $tapes = [];
        foreach ($test['measured'] as $measured) {
            if (isset($measured['tape'])) {
                $tapes[] = Tape::of($drawn->figure, $measured['name'], ...$measured['tape']);
            }
        }

        return $drawn->with(new Overlay($tapes, null !== $leg || null !== $other));
    }

    /**
     * Where the tape goes for the lengths of a body: standing, sitting, lying.
     *
     * @return list<DrawnFigure>
     */
    public static function ofMeasures(Physique $body): array
    {
        $drawn = static function (array $text, string $view, array $tapes) use ($body): DrawnFigure {
            $pose = PoseText::pose($text);
            $figure = Figure::of($pose, $body, Side::Left);

            return new DrawnFigure(
                $figure,
                [],
                DrawnShape::isLying($pose),
                $view,
                new Overlay(
                    array_values(array_map(static fn (array $tape): Tape => Tape::of($figure, ...$tape), $tapes)),
                ),
            );
        };

        return [
            $drawn(['base' => 'standing', 'arms' => [4, 24, 0, 6]], 'front', [
                ['thigh', 'hip', 'knee'],
                ['shin', 'knee', 'ankle'],
                ['hipSpacing', 'hip', 'other-hip'],
                ['ankleAboveSole', 'other-ankle', 'floor'],
                ['stature', 'crown', 'floor'],
            ]),
            $drawn(['base' => 'long-sitting'], 'side', [['seatedHipHeight', 'hip', 'floor']]),
            $drawn(['base' => 'on-the-back'], 'side', [['lyingHipHeight', 'hip', 'floor']]),
        ];
    }

    /**
     * @param array<string, mixed> $rung as written in the catalogue
     * @param callable(string, string): array<string, mixed> $find another rung, by posture and id
     */
    public static function ofRung(
        array $rung,
        Physique $body,
        Side $side,
        ?LegPose $asRead,
        callable $find,
        ?LegPose $otherAsRead = null,
    ): DrawnFigure {
        $drawn = DrawnShape::of($rung, $body, $side, $find, $asRead, $otherAsRead);

        return new DrawnFigure($drawn->figure, $drawn->props, DrawnShape::isLying($drawn->pose), $drawn->view);
    }

    /** @return array<string, mixed> */
    private function rung(string $posture, string $rung): array
    {
        foreach (
            Shapes::of(
                $this->catalogue->entry(Kind::Posture, $posture) ??
                    throw new \OutOfBoundsException(sprintf('There is no posture "%s".', $posture)),
            ) as $shape
        ) {
            if ($shape['id'] === $rung) {
                return $shape;
            }
        }
        throw new \OutOfBoundsException(sprintf('The ladder of "%s" has no rung "%s".', $posture, $rung));
    }
}
