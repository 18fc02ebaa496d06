<?php

declare(strict_types=1);

namespace LucidAscent\App\PageCache;

use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\Security\Csrf\CsrfTokenManagerInterface;
use Symfony\Contracts\Service\ResetInterface;
use Twig\Environment;
use Twig\Extension\AbstractExtension;
use Twig\TwigFunction;

/**
 * What is of one request and not of the page, in a page that is kept: tokens, and what is said once. Each has a place
 * there, filled as it goes out.
 */
final class PlacesInPage extends AbstractExtension implements ResetInterface
{
    private const NOTES = 'notes';
    private const TOKEN = 'token ';

    /** A word that nobody can have written into a record: the places of the page that is made now carry it. */
    private ?string $word = null;

    public function __construct(private readonly RequestStack $requests)
    {
    }

    public function getFunctions(): array
    {
        return [new TwigFunction('notes', $this->notes(...), ['needs_environment' => true, 'is_safe' => ['html']])];
    }

    public function begin(): void
    {
        $this->word = bin2hex(random_bytes(12));
    }

    /** @return string|null the word of the page that was made; null when none was begun */
    public function end(): ?string
    {
        $word = $this->word;
        $this->word = null;

        return $word;
    }

    public function reset(): void
    {
        $this->word = null;
    }

    /** The place of a token in a page that is made to be kept; null in any other. */
    public function ofToken(string $id): ?string
    {
        return null === $this->word ? null : "[$this->word ".self::TOKEN."$id]";
    }

    /** What there is to say once, as markup. */
    public function notes(Environment $twig): string
    {
        return null === $this->word ? $twig->render('parts/notes.html.twig') : "[$this->word ".self::NOTES.']';
    }

    /** The page as it goes out in this request. */
    public function fill(string $page, string $word, Environment $twig, CsrfTokenManagerInterface $tokens): string
    {
        return (string) preg_replace_callback(
            "/\\[$word ([^\\]]*)\\]/",
            fn (array $place): string => match (true) {
                self::NOTES === $place[1] => $this->notes($twig),
                default => htmlspecialchars($tokens->getToken(substr($place[1], strlen(self::TOKEN)))->getValue()),
            },
            $page,
        );
    }

    /** @return array<string, list<string>> what waits to be said */
    public function waiting(): array
    {
        $session = $this->requests->getSession();

        return $session instanceof \Symfony\Component\HttpFoundation\Session\FlashBagAwareSessionInterface
            ? $session->getFlashBag()->peekAll()
            : [];
    }
}
