<?php

declare(strict_types=1);

namespace LucidAscent\App\Twig;

use LucidAscent\App\Security\RouteVoter;
use Symfony\Component\Security\Core\Authorization\AuthorizationCheckerInterface;
use Twig\Extension\AbstractExtension;
use Twig\TwigFunction;

/** Whether whoever sees a page may go where a route leads: what they may not is not offered to them. */
final class MayExtension extends AbstractExtension
{
    public function __construct(private readonly AuthorizationCheckerInterface $checker)
    {
    }

    public function getFunctions(): array
    {
        return [
            new TwigFunction(
                'may',
                fn (string $route): bool => $this->checker->isGranted(RouteVoter::OPEN, $route),
            ),
        ];
    }
}
