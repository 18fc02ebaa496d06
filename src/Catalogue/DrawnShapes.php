<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\DrawnLoads;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Posture\Reach;
use LucidAscent\Core\Posture\ReachKind;
use LucidAscent\Core\Reach\DrawnReach;
use LucidAscent\Core\Reach\OverUnder;
use LucidAscent\Core\Reach\StrapOverhead;

/** What shapes load as they are drawn, on a standard body. */
final readonly class DrawnShapes
{
    private Physique $body;

    /** @param array<string, array<string, mixed>> $postures by id: those that a pose may be said to be like */
    public function __construct(private array $postures)
    {
        $this->body = Physique::of(Proportions::of(Length::cm(StandardBody::STATURE)));
    }

    /**
     * @param array<string, mixed> $shape a rung, a form or a test, as written
     *
     * @return DrawnLoads|null null where nobody has drawn it, or nobody can
     */
    public function loads(array $shape): ?DrawnLoads
    {
        try {
            $drawn = DrawnShape::of($shape, $this->body, Side::Left, $this->find(...));
        } catch (\Throwable) {
            // Whatever is wrong with a pose, nobody knows then what it loads.
            return null;
        }

        return DrawnLoads::of($drawn->figure, $drawn->pose);
    }

    /**
     * @param array<string, mixed> $shape a rung or a form, as written
     *
     * @return Reach|null null where it reaches for nothing, or nobody can draw it
     */
    public function reach(array $shape): ?Reach
    {
        $reach = $shape['reach'] ?? [];
        $kind = isset($reach['kind']) ? ReachKind::from($reach['kind']) : self::ofStrap($shape);
        if (null === $kind) {
            return null;
        }
        try {
            return match ($kind) {
                ReachKind::OverUnder => new OverUnder(),
                ReachKind::Overhead => new StrapOverhead(
                    DrawnShape::demand($shape['other_leg'] ?? null) ??
                        throw new \DomainException('Nothing says where the foot behind is.'),
                ),
                default => new DrawnReach(
                    $kind,
                    DrawnShape::of($shape, $this->body, Side::Left, $this->find(...))->pose,
                    'other' !== ($reach['arm'] ?? 'own'),
                    $reach['to'] ?? '',
                    $reach['round'] ?? null,
                ),
            };
        } catch (\DomainException) {
            return null;
        }
    }

    /**
     * What a strap is for in a shape that does not say it, as in a teacher's own.
     *
     * @param array<string, mixed> $shape
     */
    private static function ofStrap(array $shape): ?ReachKind
    {
        $rules = array_column($shape['props'] ?? [], 'rule');

        $isBehind = isset($shape['other_leg']['contact']);

        return match (true) {
            in_array(PropRule::HandsGap->value, $rules, true) => ReachKind::OverUnder,
            $isBehind && in_array(PropRule::FootStrap->value, $rules, true) => ReachKind::Overhead,
            default => null,
        };
    }

    /**
     * @param array<string, mixed> $shape a rung, a form or a test, as written
     *
     * @return array{array<string, mixed>, array<string, mixed>}|null the posture, and the rung or form of it that this
     *     shape is said to be; null where it is drawn by itself
     */
    public function standsIn(array $shape): ?array
    {
        $like = $shape['pose']['like'] ?? null;
        if (!is_string($like)) {
            return null;
        }
        [$posture, $rung] = explode('/', $like, 2) + [1 => ''];

        return [$this->postures[$posture] ?? [], $this->find($posture, $rung)];
    }

    /** @return array<string, mixed> */
    private function find(string $posture, string $shape): array
    {
        return array_column(Shapes::of($this->postures[$posture] ?? []), null, 'id')[$shape] ??
            throw new \DomainException(sprintf('There is no shape "%s/%s".', $posture, $shape));
    }
}
