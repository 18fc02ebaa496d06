<?php

declare(strict_types=1);

namespace LucidAscent\App\Twig;

use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Repository\ShownTest;
use Symfony\Contracts\Translation\TranslatorInterface;
use Twig\Extension\AbstractExtension;
use Twig\TwigFilter;

/** Who wrote something: a name that only a file gives is never shown as if its owner had written here. */
final class AuthorExtension extends AbstractExtension
{
    public function __construct(private readonly TranslatorInterface $translator)
    {
    }

    public function getFilters(): array
    {
        return [new TwigFilter('author', $this->text(...))];
    }

    public function text(Teacher|ShownTest $by): string
    {
        [$name, $isClaimed] = $by instanceof Teacher
            ? [$by->name, $by->isClaimed()]
            : [$by->writtenBy, $by->isClaimed];

        return $isClaimed ? $this->translator->trans('author.claimed', ['name' => $name]) : $name;
    }
}
