<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\RequestStack;

/** Addresses that are given out: of the name in the settings, and only without one of whatever was asked. */
final readonly class PublicUrl
{
    public function __construct(
        #[Autowire('%env(string:default::PUBLIC_URL)%')]
        private string $setting,
        private RequestStack $requests,
    ) {
    }

    /** @param string $path of a page, from the root on */
    public function of(string $path): string
    {
        return ('' !== $this->setting
            ? $this->setting
            : $this->requests->getMainRequest()?->getSchemeAndHttpHost() ?? '').$path;
    }
}
