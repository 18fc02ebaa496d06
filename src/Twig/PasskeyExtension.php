<?php

declare(strict_types=1);

namespace LucidAscent\App\Twig;

use LucidAscent\App\Security\Passkeys;
use Twig\Extension\AbstractExtension;
use Twig\TwigFunction;

/** What a device is asked to sign: another one on each page. */
final class PasskeyExtension extends AbstractExtension
{
    public function __construct(private readonly Passkeys $passkeys)
    {
    }

    public function getFunctions(): array
    {
        return [new TwigFunction('passkey_challenge', $this->passkeys->challenge(...))];
    }
}
