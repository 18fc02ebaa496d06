<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\DrawnLoads;
use LucidAscent\Core\Figure\Physique;

/** What shapes load as they are drawn, on a standard body. */
final readonly class DrawnShapes
{
    /** @var array<string, array<string, mixed>> by posture and id */
    private array $shapes;

    /** @param array<string, array<string, mixed>> $postures by id: those that a pose may be said to be like */
    public function __construct(array $postures)
    {
        $shapes = [];
        foreach ($postures as $id => $posture) {
            foreach (Shapes::of($posture) as $shape) {
                $shapes["$id/$shape[id]"] = $shape;
            }
        }
        $this->shapes = $shapes;
    }

    /**
     * @param array<string, mixed> $shape a rung, a form or a test, as written
     *
     * @return DrawnLoads|null null where nobody has drawn it, or nobody can
     */
    public function loads(array $shape): ?DrawnLoads
    {
        $body = Physique::of(Proportions::of(Length::cm(StandardBody::STATURE)));
        try {
            $drawn = DrawnShape::of($shape, $body, Side::Left, $this->find(...));
        } catch (\Throwable) {
            // Whatever is wrong with a pose, nobody knows then what it loads.
            return null;
        }

        return DrawnLoads::of($drawn->figure, $drawn->pose);
    }

    /** @return array<string, mixed> */
    private function find(string $posture, string $shape): array
    {
        return $this->shapes["$posture/$shape"] ??
            throw new \DomainException(sprintf('There is no shape "%s/%s".', $posture, $shape));
    }
}
