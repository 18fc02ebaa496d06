<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\HipHeight;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\Figure\Pose;
use LucidAscent\Core\Figure\Props;
use LucidAscent\Core\Figure\Solid;
use LucidAscent\Core\LegChain\LegPose;

/** A rung, a form or a test of the catalogue as a body in a pose, with its props. */
final readonly class DrawnShape
{
    /** A block on its flat side, in cm: what the hands stand on where the catalogue gives them one. */
    private const BLOCK = 10.0;

    /**
     * @param list<Solid> $props
     * @param string $view from where it is seen best
     */
    private function __construct(
        public Pose $pose,
        public Figure $figure,
        public array $props,
        public string $view,
    ) {
    }

    /**
     * @param array<string, mixed> $shape as written in the catalogue
     * @param callable(string, string): array<string, mixed> $find another rung, by posture and id
     * @param LegPose|null $asRead the leg as it was reckoned for this person, where it was
     * @param LegPose|null $otherAsRead likewise, the other
     *
     * @throws \DomainException when it says not how it is drawn
     */
    public static function of(
        array $shape,
        Physique $body,
        Side $side,
        callable $find,
        ?LegPose $asRead = null,
        ?LegPose $otherAsRead = null,
    ): self {
        $text = self::whole($shape, $find);
        $pose = PoseText::pose(
            $text,
            self::demand($text['demand'] ?? null),
            self::demand($text['other_demand'] ?? null),
        );
        $props = [];
        foreach ($shape['props'] ?? [] as $prop) {
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

        return new self($pose, $figure, Props::of($figure, $props), $text['view'] ?? ($shape['view'] ?? 'front'));
    }

    public static function isLying(Pose $pose): bool
    {
        return (abs($pose->tilt) > 65.0 && HipHeight::Lies === $pose->hips) || abs($pose->lean) > 60.0;
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

    /** @param array<string, mixed>|null $demand */
    public static function demand(?array $demand): ?CatalogueDemand
    {
        return isset($demand['contact']) ? CatalogueDemand::find($demand['contact'], $demand['values'] ?? []) : null;
    }
}
