<?php

declare(strict_types=1);

namespace LucidAscent\App\Bench;

use LucidAscent\App\Figure\RungFigures;
use LucidAscent\App\Figure\Size;
use LucidAscent\App\Json\Failure;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\PainRule;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\LegChain\Conditioning;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\Readiness\LotusGate;
use LucidAscent\Core\Testing\Bound;
use LucidAscent\Core\Testing\ReadTest;
use LucidAscent\Core\Testing\TakenTest;
use LucidAscent\Core\Testing\ToolErrors;
use LucidAscent\Core\Testing\UnreadableTest;

/** What the numbers typed so far come to, before anything is recorded. */
final readonly class BenchPreview
{
    public function __construct(private RungFigures $figures)
    {
    }

    /**
     * @return array<string, mixed> by side: what it shows, spread; an error; or null when nothing was read; and the
     *     body as measured
     */
    public function of(BenchData $data, Proportions $proportions, ToolErrors $errors): array
    {
        $answer = $legs = [];
        foreach (Side::cases() as $side) {
            $taken = $data->taken($side);
            $answer[$side->value] = Failure::orAnswer(
                static fn (): ?array => self::side($data, $taken, $proportions, $errors),
            );
            $legs[$side->value] = self::leg($data, $taken, $proportions);
        }
        $read = array_filter($legs);

        return $answer + ['picture' => [] === $read ? null : $this->picture($data, $proportions, $legs)];
    }

    /** @param array<string, LegPose|null> $legs by side; one that was not read mirrors the other */
    private function picture(BenchData $data, Proportions $proportions, array $legs): ?string
    {
        $side = null === $legs[Side::Left->value] ? Side::Right : Side::Left;
        $leg = $legs[$side->value];
        try {
            return $this->figures
                ->ofTest(
                    $data->test->entry,
                    Physique::of($proportions),
                    $side,
                    $leg,
                    $legs[$side->opposite()->value] ?? $leg,
                )
                ->svg(Size::Card);
        } catch (\DomainException) {
            return null;
        }
    }

    private static function leg(BenchData $data, ?TakenTest $taken, Proportions $proportions): ?LegPose
    {
        try {
            return null === $taken
                ? null
                : ReadTest::reading($data->test->definition, $taken)?->pose($proportions->body($taken->side));
        } catch (\DomainException) {
            return null;
        }
    }

    /** @return array<string, mixed>|null */
    private static function side(
        BenchData $data,
        ?TakenTest $taken,
        Proportions $proportions,
        ToolErrors $errors,
    ): ?array {
        if (null === $taken) {
            return null;
        }
        $definition = $data->test->definition;
        [$again, $apart] = ReadTest::spread($definition, $taken, $errors);
        $answer = [
            'trials' => count($taken->trials),
            'measureAgain' => $again,
            'range' => $apart,
            'stop' => null !== PainRule::of($taken->pain, $taken->side, $definition->work),
            'clean' => $taken->isClean(),
            'shows' => [],
        ];
        try {
            $body = $proportions->body($taken->side);
            foreach (ReadTest::evidence($definition, $taken, $body, $errors) as $e) {
                $sd = $e->uncertainty->error($proportions->error($taken->side));
                $answer['shows'][] = [
                    'ability' => $e->ability->value,
                    'value' => $e->value,
                    'unit' => $e->ability->unit(),
                    'sd' => is_finite($sd) ? $sd : null,
                    'atLeast' => Bound::AtLeast === $e->bound,
                ];
            }
            $reading = ReadTest::reading($definition, $taken);
            if ($reading instanceof KneeAtHeight) {
                $conditioning = Conditioning::of($reading, $body, $proportions->error($taken->side));
                $answer['conditioning'] = $conditioning->isPoor ? ['betterHeels' => $conditioning->betterHeels] : null;
                $answer['gate'] = LotusGate::outcome(
                    $taken->measure('heelDistance')->mean(),
                    $reading->kneeHeight,
                    $taken->sitting->hipHeight($body),
                    $errors->sd($taken->tool, 'cm'),
                )->value;
            }
        } catch (UnreadableTest $e) {
            return 'watched' === $e->because ? $answer : Failure::of($e->because, $e->getMessage());
        }

        return $answer;
    }
}
