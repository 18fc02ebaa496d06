<?php

declare(strict_types=1);

namespace LucidAscent\App\Twig;

use LucidAscent\App\Json\PainFields;
use LucidAscent\Core\Caution\Pain;
use Symfony\Contracts\Translation\TranslatorInterface;
use Twig\Extension\AbstractExtension;
use Twig\TwigFilter;

/**
 * Pain in words, on every page and sheet alike: what was felt is never told as nothing, whatever number it was given.
 */
final class PainExtension extends AbstractExtension
{
    public function __construct(private readonly TranslatorInterface $translator)
    {
    }

    public function getFilters(): array
    {
        return [new TwigFilter('pain_text', $this->text(...))];
    }

    /**
     * @param Pain|array<string, mixed> $pain as it is, or as the log of a session keeps it
     *
     * @return string empty when nothing hurt
     */
    public function text(Pain|array $pain): string
    {
        $pain = is_array($pain) ? PainFields::said($pain) ?? Pain::none() : $pain;
        if (!$pain->isFelt()) {
            return '';
        }
        $label = fn (string $id): string => mb_strtolower($this->translator->trans($id, [], 'labels'));
        $place = $label('pain.place.'.$pain->place->value);

        return 0 === $pain->level
            ? $this->translator->trans('pain.numb', ['place' => $place])
            : $this->translator->trans('pain.text', [
                'level' => $pain->level,
                'place' => $place,
                'kind' => $label('pain.kind.'.$pain->kind->value),
            ]);
    }
}
