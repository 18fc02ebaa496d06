<?php

declare(strict_types=1);

namespace LucidAscent\App\Lab;

use LucidAscent\App\Figure\ContactFigures;
use LucidAscent\App\Figure\Size;
use LucidAscent\App\Json\Failure;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\Body;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\LegChain\ChainReading;
use LucidAscent\Core\LegChain\Component;
use LucidAscent\Core\LegChain\Conditioning;
use LucidAscent\Core\LegChain\Contact\Contacts;
use LucidAscent\Core\LegChain\Contact\Drawn;
use LucidAscent\Core\LegChain\Contact\HasStrap;
use LucidAscent\Core\LegChain\Contact\SetUp;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LowestKnee;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\PropAdvice;
use LucidAscent\Core\LegChain\ProportionShare;
use LucidAscent\Core\LegChain\PropTable;
use LucidAscent\Core\LegChain\Sampling;
use LucidAscent\Core\LegChain\Sensitivity;
use LucidAscent\Core\LegChain\Shortfall;
use LucidAscent\Core\LegChain\Tuck;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Testing\SmallestChange;

/** What a set-up asks of one side of one person, in the JSON shape that the pose lab draws. */
final class LabAnswer
{
    /** A folded blanket, in cm, when nothing else is said: between the 2.5 and 4 of common practice. */
    public const BLANKET = 3.0;
    public const MOST_BLANKETS = 4;

    /** From where it can be looked at. */
    public const VIEWS = ['three-quarter', 'front', 'side', 'back', 'above'];

    /** First order is left for sampling where the two differ by more than this share. */
    private const BENDS = 0.15;
    private const DRAWS = 400;

    /** @return array<string, mixed> */
    public static function to(mixed $question, Side $side, Proportions $proportions, LabCapacity $known): array
    {
        return Failure::orAnswer(
            static fn (): array => self::answer(Fields::of($question), $side, $proportions, $known),
        );
    }

    /** @return array<string, mixed> */
    private static function answer(Fields $question, Side $side, Proportions $proportions, LabCapacity $known): array
    {
        $contact = Contacts::find($question->text('posture'));
        if (null === $contact || [] === $contact::about()->controls) {
            throw InvalidValue::because('posture', 'is not known.');
        }
        $blanket = Length::cm($question->number('blanket', self::BLANKET))->cm;
        if ($blanket < 1.0 || $blanket > 10.0) {
            throw InvalidValue::outside('blanket', $blanket, 1.0, 10.0, 'cm');
        }
        $body = $proportions->body($side);
        $posture = $contact::of(
            new SetUp(
                $question->object('values'),
                capacity: $known->capacity,
                upper: $proportions->upper($side),
            ),
        );
        $angles = $posture->angles($body);
        $shortfall = Shortfall::of($angles, $known->capacity);
        [$errors, $method] = self::errors($posture, $side, $proportions, $known);

        $components = [];
        $spare = [];
        foreach ($angles as $name => $asked) {
            $has = $known->capacity->of(Component::from($name)) ?? 0.0;
            $spare[$name] = is_finite($errors[$name]) ? SmallestChange::between($errors[$name]) : 0.0;
            $components[$name] = [
                'asked' => $asked,
                'has' => $has,
                'standIn' => $known->isStandIn[$name],
                'standInSource' => LabCapacity::standIn(Component::from($name))->value,
                'difference' => $has - $asked,
                'error' => is_finite($errors[$name]) ? $errors[$name] : null,
            ];
        }

        $held = self::held($angles, $side, $known);

        return [
            'held' => $held,
            'picture' => self::picture(
                $question->text('posture'),
                $posture,
                $body,
                $proportions,
                $side,
                $question->has('view') ? $question->text('view') : '',
            ),
            'components' => $components,
            'method' => $method,
            'atKnee' => $shortfall->atKnee(),
            'knee' => self::knee($posture, $body, $known),
            'strap' => $posture instanceof HasStrap ? $posture->strap($body) : null,
            'back' => $posture->props()['rounding'] ?? ($posture->props()['backBend'] ?? null),
            'props' => array_map(
                static fn (array $row): array => [
                    'prop' => $row['prop']->value,
                    'step' => $row['step'],
                    'change' => $row['change'],
                ],
                PropTable::of($posture, $body),
            ),
            // Where it is held, no prop is offered to go on with.
            'advice' => [] !== $held
                    ? []
                    : array_map(
                        static fn (PropAdvice $advice): array => [
                            'prop' => $advice->prop->value,
                            'value' => $advice->value,
                        ],
                        PropAdvice::of(
                            $posture,
                            $body,
                            $known->capacity,
                            $spare,
                            $posture instanceof FreeKnee ? 12 : 60,
                        ),
                    ),
            'blankets' => array_key_exists('seat', $posture->props())
                ? PropTable::blankets($posture, $body, $blanket, self::MOST_BLANKETS)
                : [],
            'conditioning' => self::conditioning($posture, $side, $proportions),
        ];
    }

    /**
     * The whole body in this set-up, as markup; null where nothing can be drawn. Looked at from where it is seen best
     * unless a view is named.
     */
    private static function picture(
        string $contact,
        Posture $posture,
        Body $body,
        Proportions $proportions,
        Side $side,
        string $view,
    ): ?string {
        $leg = match (true) {
            $posture instanceof ChainReading, $posture instanceof FreeKnee => $posture->pose($body),
            $posture instanceof Drawn => $posture->drawn($body),
            default => null,
        };
        $figure = ContactFigures::of($contact, $posture->props(), Physique::of($proportions), $side, $leg);

        return $figure?->svg(Size::Large, in_array($view, self::VIEWS, true) ? $view : $figure->view);
    }

    /**
     * What holds a position like this one on this side, by name.
     *
     * @param array<string, float> $angles degrees by component
     *
     * @return list<string>
     */
    private static function held(array $angles, Side $side, LabCapacity $known): array
    {
        return May::load($known->holds, new Work(Load::ofLeg($angles), angles: $angles), $side)->heldBy();
    }

    /**
     * One SD of each margin: what capacity and demand share of the body's error cancels.
     *
     * @return array{array<string, float>, string} degrees by component, and the way they were found
     */
    private static function errors(Posture $posture, Side $side, Proportions $proportions, LabCapacity $known): array
    {
        $body = $proportions->body($side);
        $bodyError = $proportions->error($side);
        // What is set up is chosen, not read: it carries no reading error.
        $exact = array_map(static fn (): float => 0.0, $posture->readingErrors());
        $fixed = $posture instanceof FreeKnee ? $posture->held($posture->pose($body), $body) : $posture;
        $demand = Sensitivity::of($fixed, $body)->withReadingErrors($exact);
        $first = [];
        foreach (array_keys($posture->angles($body)) as $name) {
            $component = Component::from($name);
            $first[$name] = $known->uncertainty[$name]->minus($demand->uncertainty($component))->error($bodyError);
        }
        if ($posture instanceof FreeKnee) {
            return [$first, 'first-order'];
        }
        $alone = Sampling::sd($posture, $body, $bodyError, errors: [], draws: self::DRAWS);
        foreach ($alone as $name => $sd) {
            $expected = $demand->error(Component::from($name), $bodyError);
            if (!is_finite($expected) || abs($sd - $expected) > max(0.2, self::BENDS * $expected)) {
                // The chain bends too much here for a straight line: the demand's own error is sampled.
                foreach ($first as $part => $error) {
                    $first[$part] = max($error, $alone[$part]);
                }

                return [$first, 'sampled'];
            }
        }

        return [$first, 'first-order'];
    }

    /** @return array<string, bool|float|string|null>|null what a free or a lifted knee does about it */
    private static function knee(Posture $posture, Body $body, LabCapacity $known): ?array
    {
        if (!$posture instanceof KneeAtHeight) {
            return null;
        }
        $lowest = LowestKnee::search($posture->contact, $body, $known->capacity);
        if (null !== $lowest) {
            return [
                'lowest' => $lowest->height(),
                'limiter' => $lowest->limiter->value ?? 'floor',
                'proportion' => ProportionShare::of($posture->contact, $body, $known->capacity),
                'longShin' => $body->shin / $body->thigh > ProportionShare::LONG_SHIN,
            ];
        }
        $tuck = Tuck::of($posture->contact, $body, $known->capacity);

        return ['lowest' => null, 'tuck' => $tuck->degrees, 'seat' => $tuck->seat];
    }

    /** @return array<string, float|null>|null */
    private static function conditioning(Posture $posture, Side $side, Proportions $proportions): ?array
    {
        if (!$posture instanceof KneeAtHeight) {
            return null;
        }
        $conditioning = Conditioning::of($posture, $proportions->body($side), $proportions->error($side));

        return $conditioning->isPoor
            ? ['betterHeels' => $conditioning->betterHeels, 'rotationError' => $conditioning->rotationError]
            : null;
    }
}
