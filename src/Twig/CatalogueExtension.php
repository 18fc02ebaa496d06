<?php

declare(strict_types=1);

namespace LucidAscent\App\Twig;

use LucidAscent\App\Catalogue\Catalogue;
use Twig\Extension\AbstractExtension;
use Twig\TwigFunction;

/** Parts of the catalogue as text. */
final class CatalogueExtension extends AbstractExtension
{
    public function __construct(private readonly Catalogue $catalogue)
    {
    }

    public function getFunctions(): array
    {
        return [
            new TwigFunction('instead', $this->catalogue->instead(...)),
            new TwigFunction('hold_text', Catalogue::holdText(...)),
        ];
    }
}
