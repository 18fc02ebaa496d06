<?php

declare(strict_types=1);

namespace LucidAscent\App\Twig;

use LucidAscent\App\Person\PersonHead;
use Twig\Extension\AbstractExtension;
use Twig\TwigFunction;

/** What stands above each page about a person. */
final class PersonHeadExtension extends AbstractExtension
{
    public function __construct(private readonly PersonHead $head)
    {
    }

    public function getFunctions(): array
    {
        return [new TwigFunction('person_head', $this->head->of(...))];
    }
}
