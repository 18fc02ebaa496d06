<?php

declare(strict_types=1);

namespace LucidAscent\App\PageCache;

use Symfony\Component\DependencyInjection\Attribute\AsDecorator;
use Symfony\Component\Security\Csrf\CsrfToken;
use Symfony\Component\Security\Csrf\CsrfTokenManagerInterface;

/** Tokens are of a session: a page that is kept has places for them, and never one of them. */
#[AsDecorator('security.csrf.token_manager', priority: 10)]
final readonly class TokensInPlaces implements CsrfTokenManagerInterface
{
    public function __construct(private CsrfTokenManagerInterface $inner, private PlacesInPage $places)
    {
    }

    public function getToken(string $tokenId): CsrfToken
    {
        $place = $this->places->ofToken($tokenId);

        return null === $place ? $this->inner->getToken($tokenId) : new CsrfToken($tokenId, $place);
    }

    public function refreshToken(string $tokenId): CsrfToken
    {
        return $this->inner->refreshToken($tokenId);
    }

    public function removeToken(string $tokenId): ?string
    {
        return $this->inner->removeToken($tokenId);
    }

    public function isTokenValid(CsrfToken $token): bool
    {
        return $this->inner->isTokenValid($token);
    }
}
