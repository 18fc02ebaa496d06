<?php

declare(strict_types=1);

namespace LucidAscent\App\Twig;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\PosePurpose;
use LucidAscent\App\Figure\FigurePictures;
use LucidAscent\App\Text\FeltText;
use LucidAscent\App\Text\HoldText;
use Twig\Extension\AbstractExtension;
use Twig\TwigFunction;

/** Parts of the catalogue as text. */
final class CatalogueExtension extends AbstractExtension
{
    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly FigurePictures $pictures,
        private readonly HoldText $holds,
        private readonly FeltText $felt,
        private readonly PosePurpose $purposes,
    ) {
    }

    public function getFunctions(): array
    {
        return [
            new TwigFunction('instead', $this->catalogue->instead(...)),
            new TwigFunction(
                'named_rung',
                fn (string $posture, string $rung): ?string => $this->catalogue->named("$posture/$rung")['name'] ??
                    null,
            ),
            new TwigFunction(
                'rung_texts',
                fn (string $posture, string $rung): array => $this->catalogue->named("$posture/$rung") ?? [],
            ),
            new TwigFunction('hold_text', $this->holds->of(...)),
            new TwigFunction('is_for_show', $this->purposes->isForShow(...)),
            new TwigFunction('felt_name', $this->felt->name(...)),
            new TwigFunction('felt_right', $this->felt->right(...)),
            new TwigFunction('felt_means', $this->felt->means(...)),
            new TwigFunction('felt_choices', $this->felt->choices(...)),
            new TwigFunction('figure', $this->pictures->rung(...), ['is_safe' => ['html']]),
            new TwigFunction('figure_of_posture', $this->pictures->posture(...), ['is_safe' => ['html']]),
            new TwigFunction('figure_limiter', $this->pictures->limiter(...), ['is_safe' => ['html']]),
            new TwigFunction('figure_measures', $this->pictures->measures(...), ['is_safe' => ['html']]),
            new TwigFunction('figure_of_test', $this->pictures->test(...), ['is_safe' => ['html']]),
        ];
    }
}
