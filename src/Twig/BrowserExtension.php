<?php

declare(strict_types=1);

namespace LucidAscent\App\Twig;

use Twig\Extension\AbstractExtension;
use Twig\TwigFilter;

/** A browser by the name that its owner knows, out of what it calls itself: the first that fits. */
final class BrowserExtension extends AbstractExtension
{
    private const BROWSERS = [
        'Firefox' => 'Firefox',
        'Edg' => 'Edge',
        'OPR' => 'Opera',
        'Chrome' => 'Chrome',
        'Safari' => 'Safari',
    ];
    private const SYSTEMS = [
        'iPhone' => 'iPhone',
        'iPad' => 'iPad',
        'Android' => 'Android',
        'Windows' => 'Windows',
        'Mac OS' => 'Mac',
        'Linux' => 'Linux',
    ];

    public function getFilters(): array
    {
        return [new TwigFilter('browser_name', $this->name(...))];
    }

    public function name(string $agent): string
    {
        $found = [];
        foreach ([self::BROWSERS, self::SYSTEMS] as $names) {
            foreach ($names as $part => $name) {
                if (str_contains($agent, $part)) {
                    $found[] = $name;
                    break;
                }
            }
        }

        return [] === $found ? mb_strimwidth('' === $agent ? '?' : $agent, 0, 40, '…') : implode(', ', $found);
    }
}
