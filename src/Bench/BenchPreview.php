<?php

declare(strict_types=1);

namespace LucidAscent\App\Bench;

use LucidAscent\App\Exchange\Failure;
use LucidAscent\App\Exchange\LegFigure;
use LucidAscent\App\Form\Data\BenchData;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainRule;
use LucidAscent\Core\LegChain\Conditioning;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\Readiness\LotusGate;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\ReadTest;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Core\Testing\UnreadableTest;

/** What the numbers typed so far come to, before anything is recorded. */
final class BenchPreview
{
    /** @return array<string, mixed> by side: figure, what it shows, spread; an error; or null when nothing was read */
    public static function of(BenchData $data, Proportions $proportions, ToolErrors $errors): array
    {
        $answer = [];
        foreach (Side::cases() as $side) {
            $answer[$side->value] = Failure::orAnswer(static fn (): ?array => self::side($data, $data->taken($side), $proportions, $errors));
        }

        return $answer;
    }

    /** @return array<string, mixed>|null */
    private static function side(BenchData $data, ?TakenTest $taken, Proportions $proportions, ToolErrors $errors): ?array
    {
        if (null === $taken) {
            return null;
        }
        $definition = $data->test->definition;
        [$again, $apart] = ReadTest::spread($definition, $taken, $errors);
        $answer = ['trials' => count($taken->trials), 'measureAgain' => $again, 'range' => $apart, 'stop' => null !== PainRule::of($taken->pain, $taken->side, $definition->work), 'clean' => $taken->isClean(), 'shows' => []];
        try {
            $body = $proportions->body($taken->side);
            foreach (ReadTest::evidence($definition, $taken, $body, $errors) as $e) {
                $sd = $e->uncertainty->error($proportions->error($taken->side));
                $answer['shows'][] = ['ability' => $e->ability->value, 'value' => $e->value, 'unit' => $e->ability->unit(), 'sd' => is_finite($sd) ? $sd : null, 'atLeast' => Bound::AtLeast === $e->bound];
            }
            $reading = ReadTest::reading($definition, $taken);
            if (null !== $reading) {
                $answer['figure'] = LegFigure::of($reading->pose($body));
            }
            if ($reading instanceof KneeAtHeight) {
                $conditioning = Conditioning::of($reading, $body, $proportions->error($taken->side));
                $answer['conditioning'] = $conditioning->isPoor ? ['betterHeels' => $conditioning->betterHeels] : null;
                $answer['gate'] = LotusGate::outcome($taken->measure('heelDistance')->mean(), $reading->kneeHeight, $taken->sitting->hipHeight($body), $errors->sd($taken->tool, 'cm'))->value;
            }
        } catch (UnreadableTest $e) {
            return 'watched' === $e->because ? $answer : Failure::of($e->because, $e->getMessage());
        }

        return $answer;
    }
}
