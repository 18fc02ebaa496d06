<?php

declare(strict_types=1);

namespace LucidAscent\App\Figure;

use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\Solid;

/** A body in a pose with its props, and from where it is seen best. */
final readonly class DrawnFigure
{
    /**
     * @param list<Solid> $props
     * @param Overlay $overlay what is drawn on it, or behind it
     */
    public function __construct(
        public Figure $figure,
        public array $props,
        public bool $isLying,
        public string $view,
        public Overlay $overlay = new Overlay(),
    ) {
    }

    /** @param bool $isAlone whether it is a file by itself, and no part of a page that has the colours */
    public function svg(Size $size, ?string $view = null, string $words = '', bool $isAlone = false): string
    {
        return Drawing::of(
            $this->figure,
            $this->props,
            View::of($view ?? $this->view, $this->figure->working, $this->isLying),
            $size,
            $words,
            $isAlone,
            $this->overlay,
        );
    }

    public function with(Overlay $overlay): self
    {
        return new self($this->figure, $this->props, $this->isLying, $this->view, $overlay);
    }
}
