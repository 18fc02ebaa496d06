<?php

declare(strict_types=1);

namespace LucidAscent\App\Twig;

use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Person\PersonHistory;
use LucidAscent\Core\Caution\Allowance;
use Symfony\Contracts\Translation\TranslatorInterface;
use Twig\Extension\AbstractExtension;
use Twig\TwigFilter;

/** How far a word in writing goes, in words. */
final class AllowanceExtension extends AbstractExtension
{
    public function __construct(private readonly TranslatorInterface $translator)
    {
    }

    public function getFilters(): array
    {
        return [new TwigFilter('allowance_text', $this->text(...))];
    }

    public function text(Allowance|Clearance $of): string
    {
        $allowance = $of instanceof Clearance ? PersonHistory::allowance($of) : $of;
        if ($allowance->isNothing || $allowance->isAll()) {
            return $this->translator->trans($allowance->isNothing ? 'allowance.nothing' : 'allowance.all');
        }
        $label = fn (string $id): string => $this->translator->trans($id, [], 'labels');
        $parts = $allowance->isGentle ? [$this->translator->trans('allowance.gentle')] : [];
        if ([] !== $allowance->without) {
            $loads = array_map(static fn (string $load): string => $label("load.$load"), $allowance->without);
            $parts[] = $this->translator->trans('allowance.without', ['loads' => implode(', ', $loads)]);
        }
        foreach ($allowance->upTo as $ability => $degrees) {
            $parts[] = $this->translator->trans('allowance.up_to', [
                'component' => $label("component.$ability"),
                'degrees' => round($degrees),
            ]);
        }

        return $this->translator->trans('allowance.part', ['parts' => implode('; ', $parts)]);
    }
}
