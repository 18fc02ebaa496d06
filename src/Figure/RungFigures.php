<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\CatalogueDemand;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Catalogue\Shapes;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\Figure\Pose;
use LucidAscent\Core\Figure\Props;
use LucidAscent\Core\Figure\Tape;
use LucidAscent\Core\LegChain\LegPose;

/** Every rung and form of the catalogue as a figure. */
final readonly class RungFigures
{
    /** A block on its flat side, in cm: what the hands stand on where the catalogue gives them one. */
    private const BLOCK = 10.0;

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
                self::isLying($pose),
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
        $text = self::whole($rung, $find);
        $pose = PoseText::pose(
            $text,
            self::demand($text['demand'] ?? null),
            self::demand($text['other_demand'] ?? null),
        );
        $props = [];
        foreach ($rung['props'] ?? [] as $prop) {
            $props[] = [
                'at' => (string) ($prop['at'] ?? ''),
                'what' => (string) array_key_first($prop['takes'] ?? ['padding' => 1]),
            ];
        }
        foreach ($text['with'] ?? [] as $with) {
            $props[] = [
                'at' => substr($with, 0, (int) strrpos($with, '-')),
                'what' => substr($with, (int) strrpos($with, '-') + 1),
            ];
        }
        $under = array_column($props, 'at');
        $figure = Figure::of(
            $pose,
            $body,
            $side,
            $asRead,
            $otherAsRead,
            $text['raised'] ?? null,
            [] !== array_intersect(['hands', 'forearms'], $under) ? (float) ($text['block'] ?? self::BLOCK) : 0.0,
        );

        return new DrawnFigure(
            $figure,
            Props::of($figure, $props),
            self::isLying($pose),
            $text['view'] ?? ($rung['view'] ?? 'front'),
        );
    }

    /**
     * A pose may be that of another rung, with what differs.
     *
     * @param array<string, mixed> $rung
     * @param callable(string, string): array<string, mixed> $find
     *
     * @return array<string, mixed>
     */
    private static function whole(array $rung, callable $find): array
    {
        $demand = $rung['demand'] ?? [];
        $text =
            $rung['pose'] ??
            ((isset($demand['contact']) ? ContactPose::of($demand['contact'], $demand['values'] ?? []) : null) ??
                throw new \DomainException('This rung has no pose.'));
        if (isset($rung['demand']['contact'])) {
            $text += ['demand' => $rung['demand']];
        }
        if (isset($rung['other_leg']['contact'])) {
            $text += ['other_demand' => $rung['other_leg']];
        }
        if (isset($text['like'])) {
            $parts = explode('/', $text['like']);
            $like = self::whole($find($parts[0], $parts[1]), $find);
            unset($like['view'], $like['with'], $like['source']);
            foreach (['legs' => ['leg', 'other'], 'arms' => ['arm', 'other_arm']] as $both => $each) {
                // What is said of both here goes before what is said of one there.
                $like = isset($text[$both]) ? array_diff_key($like, array_flip([...$each, $both])) : $like;
                if (isset($like[$both])) {
                    $like += [$each[0] => $like[$both], $each[1] => $like[$both]];
                    unset($like[$both]);
                }
            }
            $text += $like;
        }

        return $text;
    }

    public static function isLying(Pose $pose): bool
    {
        return (abs($pose->tilt) > 65.0
            && $pose->hips instanceof \LucidAscent\Core\Figure\HipHeight
            && \in_array($pose->hips->value, ['lies'], true))
            || abs($pose->lean) > 60.0;
    }

    /** @param array<string, mixed>|null $demand */
    private static function demand(?array $demand): ?CatalogueDemand
    {
        return isset($demand['contact']) ? CatalogueDemand::find($demand['contact'], $demand['values'] ?? []) : null;
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
