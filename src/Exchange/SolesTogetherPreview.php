<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Conditioning;
use LucidAscent\Core\Readiness\LotusGate;
use LucidAscent\Core\Testing\Pain;
use LucidAscent\Core\Testing\SolesTogetherTest;

/** What the numbers typed so far come to, before anything is recorded. */
final class SolesTogetherPreview
{
    /**
     * @param mixed $question {"seat", "left": [{"kneeHeight", "heelDistance"}, …], "right": […]}
     *
     * @return array<string, mixed> by side: the figure and the angles with their error, or an error
     */
    public static function answer(mixed $question, Proportions $proportions, \DateTimeImmutable $now): array
    {
        $answer = [];
        foreach (Side::cases() as $side) {
            $answer[$side->value] = Failure::orAnswer(static fn (): ?array => self::side($side, Fields::of($question), $proportions, $now));
        }

        return $answer;
    }

    /** @return array<string, mixed>|null null when nothing has been read on this side */
    private static function side(Side $side, Fields $question, Proportions $proportions, \DateTimeImmutable $now): ?array
    {
        $trials = array_map(static fn (Fields $trial): array => [
            'kneeHeight' => $trial->number('kneeHeight'),
            'heelDistance' => $trial->number('heelDistance'),
        ], $question->objects($side->value));
        if ([] === $trials) {
            return null;
        }
        $test = new SolesTogetherTest($side, $question->number('seat', 0.0), $trials, Pain::none(), $now);
        $body = $proportions->body($side);
        $pose = $test->reading()->pose($body);
        $conditioning = Conditioning::of($test->reading(), $body, $proportions->error($side));
        $sensitivity = $test->sensitivity($body);
        $angles = [];
        foreach (Component::cases() as $component) {
            $sd = $sensitivity->error($component, $proportions->error($side));
            $angles[$component->value] = ['value' => $pose->angles->of($component), 'sd' => is_finite($sd) ? $sd : null];
        }

        return [
            'figure' => LegFigure::of($pose),
            'angles' => $angles,
            'kneeHeight' => $test->kneeHeight->mean(),
            'range' => max($test->kneeHeight->range(), $test->heelDistance->range()),
            'measureAgain' => $test->wantsAnotherTrial(),
            'conditioning' => $conditioning->isPoor ? ['betterHeels' => $conditioning->betterHeels] : null,
            'gate' => LotusGate::outcome($test->heelDistance->mean(), $test->kneeHeight->mean(), $test->sitting()->hipHeight($body))->value,
        ];
    }
}
