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

    /** @return array<string, mixed> */
    private function find(string $posture, string $shape): array
    {
        return array_column(Shapes::of($this->postures[$posture] ?? []), null, 'id')[$shape] ??
            throw new \DomainException(sprintf('There is no shape "%s/%s".', $posture, $shape));
    }
}
