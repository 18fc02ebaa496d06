<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\Segment;
use LucidAscent\Core\Figure\Solid;
use LucidAscent\Core\Figure\Tape;
use LucidAscent\Core\LegChain\Vector;

/**
 * A figure as SVG: solids from far to near, each with a halo in the paper's colour, so that limbs that cross stay
 * apart. Colours are the page's: every path has a class and no style of its own.
 */
final class Drawing
{
    /** The least that a picture shows across, in cm: a small shape is not blown up beside a large one. */
    private const LEAST = 112.0;
    private const MARGIN = 7.0;
    /** Half as long as the tick at the end of a tape, in cm. */
    private const TICK = 3.0;
    /** How much more than a joint its disc covers, in cm: most of the line round each part. */
    private const HALO = 0.55;

    /** For a file by itself; a page has them in its style sheet. */
    private const COLOURS = 'svg{background:#fcfdfb}'
        .'path{stroke:#fcfdfb;stroke-width:1.6;paint-order:stroke;stroke-linejoin:round}'
        .'.bare,.mat{stroke:none}.mat{fill:#e9eeea}.trunk,.head,.face{fill:#ccd3ce}.hair{fill:#6d7a76}'
        .'.arm{fill:#a9b4ae}.leg{fill:#87938d}.work{fill:#b84f1c}'
        .'.prop{fill:#d5dbd1;stroke:#a9b3a5;stroke-width:.6}.top{fill:#e4e9df}'
        .'.strap{fill:none;stroke:#5d6440;stroke-width:1.6}'
        .'@media(prefers-color-scheme:dark){svg{background:#182127}path{stroke:#182127}.mat{fill:#222e36}'
        .'.trunk,.head,.face{fill:#9fb0b6}.hair{fill:#41525b}.arm{fill:#7d9099}.leg{fill:#5f737c}'
        .'.work{fill:#ff9b63}.prop{fill:#33434c;stroke:#546670}.top{fill:#3d4e58}.strap{stroke:#cdd49a}}';

    /** About a knee, in cm. */
    private const RING = 9;

    /** @var list<array{float, string}> depth and element */
    private array $items = [];
    private float $left = INF;
    private float $top = INF;
    private float $right = -INF;
    private float $bottom = -INF;

    /**
     * @param list<Solid> $props
     */
    private function __construct(
        private readonly Figure $figure,
        private readonly array $props,
        private readonly View $view,
        private readonly Size $size,
        private readonly Overlay $overlay,
    ) {
    }

    /**
     * @param list<Solid> $props
     * @param string $words what the picture shows, for whoever does not see it; nothing where words stand beside it
     * @param bool $isAlone whether it brings its own colours: on paper, light or dark as the reader has it
     */
    public static function of(
        Figure $figure,
        array $props,
        View $view,
        Size $size,
        string $words = '',
        bool $isAlone = false,
        Overlay $overlay = new Overlay(),
    ): string {
        return (new self($figure, $props, $view, $size, $overlay))->svg($words, $isAlone);
    }

    private function svg(string $words, bool $isAlone): string
    {
        $this->trunk();
        $this->head();
        foreach (Side::cases() as $side) {
            $this->arm($side->value);
            $this->leg($side->value, $side === $this->figure->working);
        }
        foreach ($this->props as $prop) {
            $this->prop($prop);
        }
        usort($this->items, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $over =
            implode('', array_map($this->tape(...), $this->overlay->tapes)).
            $this->swing().
            $this->kneeShare().
            implode('', array_map($this->spot(...), $this->overlay->spots));
        $ghost = $this->ghost();
        $mat = $this->mat();
        $box = $this->box();
        $label =
            '' === $words
                ? ' aria-hidden="true"'
                : ' role="img" aria-label="'.htmlspecialchars($words, \ENT_QUOTES | \ENT_XML1).'"';

        return '<svg xmlns="http://www.w3.org/2000/svg" class="figure size-'.
            $this->size->value.
            '" viewBox="'.
            $box.
            '"'.
            $label.
            '>'.
            ($isAlone ? '<style>'.self::COLOURS.'</style>' : '').
            $mat.
            $ghost.
            implode('', array_column($this->items, 1)).
            $over.
            '</svg>';
    }

    /** One shape: its halo lies under all of it. */
    private function trunk(): void
    {
        $path = '';
        foreach (['hips', 'pelvis', 'waist', 'chest', 'shoulders', 'neck'] as $name) {
            $path .= $this->outline($this->figure->segment($name));
        }
        // From the ribs to each shoulder: a chest is as broad as its shoulders are.
        $ribs = $this->figure->segment('chest')->startRadius * 0.8;
        $shoulder = $this->figure->segment('shoulders')->startRadius;
        foreach (Side::cases() as $side) {
            $path .= Hull::capsule(
                $this->view->at($this->figure->point('chest')),
                $ribs,
                $this->see($this->figure->point("$side->value-shoulder"), $shoulder),
                $shoulder,
            );
        }
        $this->add(
            $this->view->depth($this->figure->point('waist')->plus($this->figure->point('chest'))->times(0.5)),
            $path,
            'trunk',
        );
    }

    /** Hair at the back, a face in front, and a nose: where it looks is seen from anywhere. */
    private function head(): void
    {
        $body = $this->figure->physique;
        [$skull, $jaw] = $body->radii('head');
        $head = $this->figure->point('head');
        $frame = $this->figure->frames['head'];
        $depth = $this->view->depth($head);
        $face = $this->view->depth($frame->forward) > -0.4 ? 0.3 : -0.3;
        $crown = $this->figure->point('crown');
        $chin = $this->figure->point('chin');
        $this->add(
            $depth - 0.5,
            Hull::capsule($this->see($crown, $skull), $skull, $this->see($chin, $jaw), $jaw),
            'head',
        );
        if (Size::Mark === $this->size) {
            return;
        }
        // The cap of hair reaches further over the head than the face does.
        $hair = $head->plus($frame->toGround(-$body->hundredths(1.0), 0.0, $body->hundredths(1.0)));
        $this->add($depth, Hull::circle($this->see($hair, $skull * 1.04), $skull * 1.04), 'hair bare');
        $cheek = $head->plus($frame->toGround($body->hundredths(2.0), 0.0, -$body->hundredths(1.2)));
        $this->add(
            $depth + $face,
            Hull::capsule($this->view->at($cheek), $skull * 0.76, $this->see($chin, $jaw), $jaw).
                Hull::capsule($this->view->at($cheek), 2.2, $this->see($this->figure->point('nose'), 1.3), 1.3),
            'face bare',
        );
    }

    private function arm(string $side): void
    {
        $upper = $this->figure->segment("$side-upper-arm");
        $fore = $this->figure->segment("$side-forearm");
        $hand = $this->figure->segment("$side-hand");
        $this->limb([$upper, $fore, $hand], 'arm');
    }

    private function leg(string $side, bool $isWorking): void
    {
        $this->limb(
            [$this->figure->segment("$side-thigh"), $this->figure->segment("$side-shin")],
            $isWorking ? 'work' : 'leg',
        );
        $foot = $this->figure->segment("$side-foot");
        $ankle = $this->figure->point("$side-ankle");
        $shin = $this->figure->segment("$side-shin");
        // Heel, ball and ankle are one shape, and its front is the thinner end.
        $path =
            $this->outline($foot).
            Hull::capsule(
                $this->view->at($ankle),
                $shin->endRadius,
                $this->view->at($foot->at(0.25)),
                $foot->startRadius,
            ).
            Hull::capsule(
                $this->view->at($ankle),
                $shin->endRadius,
                $this->view->at($foot->at(0.7)),
                $foot->endRadius,
            );
        $this->add($this->view->depth($foot->middle()), $path, $isWorking ? 'work' : 'leg');
        $this->add(
            max($this->view->depth($foot->middle()), $this->view->depth($shin->middle())) + 0.01,
            Hull::circle($this->view->at($ankle), $shin->endRadius + self::HALO),
            ($isWorking ? 'work' : 'leg').' bare',
        );
    }

    /** @param list<Segment> $parts from the trunk outward */
    private function limb(array $parts, string $class): void
    {
        foreach ($parts as $i => $part) {
            $this->add($this->view->depth($part->middle()), $this->outline($part), $class);
            if (isset($parts[$i + 1])) {
                // A disc over the joint hides the halo there: the limb is whole, and what crosses it stays apart.
                $next = $parts[$i + 1];
                $this->add(
                    max($this->view->depth($part->middle()), $this->view->depth($next->middle())) + 0.01,
                    Hull::circle($this->view->at($part->end), $part->endRadius + self::HALO),
                    "$class bare",
                );
            }
        }
    }

    private function prop(Solid $prop): void
    {
        [$a, $b] = $prop->points;
        if ($prop->isStrap) {
            [$x1, $y1] = $this->see($a, 0.0);
            [$x2, $y2] = $this->see($b, 0.0);
            $this->items[] = [
                max($this->view->depth($a), $this->view->depth($b)),
                '<path class="strap" d="M'.
                Hull::number($x1).
                ' '.
                Hull::number($y1).
                'L'.
                Hull::number($x2).
                ' '.
                Hull::number($y2).
                '"/>',
            ];

            return;
        }
        $corners = [];
        foreach ([$a->x, $b->x] as $x) {
            foreach ([$a->y, $b->y] as $y) {
                foreach ([$a->z, $b->z] as $z) {
                    $corners[] = $this->see(new Vector($x, $y, $z), 0.0);
                }
            }
        }
        $top = array_map(fn (array $c): array => $this->view->at(new Vector($c[0], $c[1], $b->z)), [
            [$a->x, $a->y],
            [$a->x, $b->y],
            [$b->x, $a->y],
            [$b->x, $b->y],
        ]);
        // What somebody lies on is behind that person, whatever its middle says.
        $depth = $this->view->depth($a->plus($b)->times(0.5)) - ($prop->isBackdrop() ? 1000.0 : 14.0);
        $this->items[] = [
            $depth,
            '<path class="prop" d="'.
            Hull::polygon($corners).
            '"/><path class="prop top" d="'.
            Hull::polygon($top).
            '"/>',
        ];
    }

    /** A tape lies over everything, with a tick at each end. */
    private function tape(Tape $tape): string
    {
        [$x1, $y1] = $this->see($tape->from, 3.0);
        [$x2, $y2] = $this->see($tape->to, 3.0);
        $length = max(1e-6, hypot($x2 - $x1, $y2 - $y1));
        [$dx, $dy] = [(($y2 - $y1) / $length) * self::TICK, (($x1 - $x2) / $length) * self::TICK];
        $n = Hull::number(...);

        return '<path class="tape" data-tape="'.
            $tape->name.
            '" d="M'.
            $n($x1).
            ' '.
            $n($y1).
            'L'.
            $n($x2).
            ' '.
            $n($y2).
            'M'.
            $n($x1 - $dx).
            ' '.
            $n($y1 - $dy).
            'L'.
            $n($x1 + $dx).
            ' '.
            $n($y1 + $dy).
            'M'.
            $n($x2 - $dx).
            ' '.
            $n($y2 - $dy).
            'L'.
            $n($x2 + $dx).
            ' '.
            $n($y2 + $dy).
            '"/>'.
            ($this->overlay->hasNumbers
                ? '<text x="'.
                    $n(max($x1, $x2) + 4.0).
                    '" y="'.
                    $n(($y1 + $y2) / 2.0).
                    '">'.
                    number_format($tape->to->minus($tape->from)->length(), 1).
                    '</text>'
                : '');
    }

    private function spot(Spot $spot): string
    {
        [$x, $y] = $this->see($spot->at, $spot->radius);
        $n = Hull::number(...);

        return "<circle class=\"$spot->class\" cx=\"{$n($x)}\" cy=\"{$n($y)}\" r=\"{$n($spot->radius)}\"/>";
    }

    /** From where the joint ends to where it is asked to be: where it ends dashed, the way itself as an arc. */
    private function swing(): string
    {
        $swing = $this->overlay->swing;
        if (null === $swing) {
            return '';
        }
        $at = fn (Vector $point): string => implode(' ', array_map(Hull::number(...), $this->see($point, 2.0)));

        $ends = 'M'.$at($swing->about).'L'.$at($swing->points[0]);
        $way = 'M'.implode('L', array_map($at, $swing->points));

        return '<path class="under" d="'.
            $ends.
            $way.
            '"/><path class="ends" d="'.
            $ends.
            '"/><path class="swing" d="'.
            $way.
            '"/>';
    }

    /** A ring about the knee that would be twisted, and by how much. */
    private function kneeShare(): string
    {
        $share = round($this->overlay->kneeShare);
        if ($share < 1.0) {
            return '';
        }
        $n = Hull::number(...);
        [$x, $y] = $this->see($this->figure->ofWorking('knee'), self::RING + 12.0);
        $ring =
            'M'.
            $n($x - self::RING).
            ' '.
            $n($y).
            'a'.
            self::RING.
            ' '.
            self::RING.
            ' 0 1 0 '.
            2 * self::RING.
            ' 0a'.
            self::RING.
            ' '.
            self::RING.
            ' 0 1 0 '.
            -2 * self::RING.
            ' 0Z';

        return '<path class="under" d="'.
            $ring.
            '"/><path class="share" d="'.
            $ring.
            '"/><text x="'.
            $n($x).
            '" y="'.
            $n($y - self::RING - 4.0).
            '" text-anchor="middle">'.
            $share.
            '°</text>';
    }

    private function ghost(): string
    {
        $path = '';
        foreach ($this->overlay->ghost->segments ?? [] as $segment) {
            $path .= $this->outline($segment);
        }

        return '' === $path ? '' : '<path class="ghost" d="'.$path.'"/>';
    }

    /** The floor, as far as the body lies over it. */
    private function mat(): string
    {
        [$back, $right, $front, $left] = [INF, INF, -INF, -INF];
        foreach ($this->figure->points as $point) {
            if ($point->z < 60.0) {
                [$back, $right, $front, $left] = [
                    min($back, $point->x),
                    min($right, $point->y),
                    max($front, $point->x),
                    max($left, $point->y),
                ];
            }
        }
        if (INF === $back) {
            return '';
        }
        $pad = 9.0;
        $corners = [];
        foreach ([$back - $pad, $front + $pad] as $x) {
            foreach ([$right - $pad, $left + $pad] as $y) {
                $corners[] = $this->see(new Vector($x, $y, 0.0), 0.0);
            }
        }

        return '<path class="mat" d="'.Hull::polygon($corners).'"/>';
    }

    private function outline(Segment $segment): string
    {
        return Hull::capsule(
            $this->see($segment->start, $segment->startRadius),
            $segment->startRadius,
            $this->see($segment->end, $segment->endRadius),
            $segment->endRadius,
        );
    }

    private function add(float $depth, string $path, string $class): void
    {
        $this->items[] = [$depth, '<path class="'.$class.'" d="'.$path.'"/>'];
    }

    /**
     * Where a point is on the picture; what is drawn there has to fit on it.
     *
     * @return array{float, float}
     */
    private function see(Vector $point, float $radius): array
    {
        $at = $this->view->at($point);
        $this->left = min($this->left, $at[0] - $radius);
        $this->right = max($this->right, $at[0] + $radius);
        $this->top = min($this->top, $at[1] - $radius);
        $this->bottom = max($this->bottom, $at[1] + $radius);

        return $at;
    }

    /** A square with the figure in the middle, and its ground near the lower edge. */
    private function box(): string
    {
        $side = max(self::LEAST, $this->right - $this->left, $this->bottom - $this->top) + 2.0 * self::MARGIN;
        $x = ($this->left + $this->right - $side) / 2.0;
        $y = $this->bottom + self::MARGIN - $side;
        $spare = $side - ($this->bottom - $this->top) - 2.0 * self::MARGIN;

        return implode(' ', array_map(Hull::number(...), [$x, $y + $spare / 3.0, $side, $side]));
    }
}
