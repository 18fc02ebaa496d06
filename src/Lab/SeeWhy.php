<?php

declare(strict_types=1);

namespace LucidAscent\App\Lab;

use LucidAscent\App\Catalogue\PoseText;
use LucidAscent\App\Figure\ContactFigures;
use LucidAscent\App\Figure\DrawnFigure;
use LucidAscent\App\Figure\Overlay;
use LucidAscent\App\Json\Fields;
use LucidAscent\Core\Body\Length;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Segment;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Figure\Figure;
use LucidAscent\Core\Figure\Physique;
use LucidAscent\Core\LegChain\Capacity;
use LucidAscent\Core\LegChain\Contact\Contacts;
use LucidAscent\Core\LegChain\Contact\SetUp;
use LucidAscent\Core\LegChain\FreeKnee;
use LucidAscent\Core\LegChain\KneeAtHeight;
use LucidAscent\Core\LegChain\LegPose;
use LucidAscent\Core\LegChain\LowestKnee;
use LucidAscent\Core\LegChain\Posture;
use LucidAscent\Core\LegChain\SecondLeg;
use LucidAscent\Core\LegChain\Shortfall;
use LucidAscent\Core\LegChain\TurnToLift;

/**
 * What to show a practitioner who asks why: each time the same leg in two ways, and what that asks of it. The numbers
 * of the set-ups are this product's own.
 */
final readonly class SeeWhy
{
    /** The thigh of the standing circle, and the knee half bent and wholly closed, in degrees. */
    private const THIGH = [60.0, 30.0];
    private const HALF_BENT = 90.0;
    private const CLOSED = 150.0;
    /** The full half lotus, in cm. */
    private const FULL_KNEE = 14.0;
    private const LONGER_SHIN = 4.0;
    private const HEELS = 20.0;
    private const HIGHER_SEAT = 6.0;
    private const EASY_KNEE = 18.0;
    private const ROUNDED = [20.0, 70.0];
    /** Flexion, abduction, rotation and knee of the leg behind the head, in degrees. */
    private const FAR = [140.0, 70.0, 115.0, 160.0];

    private Physique $physique;

    private function __construct(private Proportions $proportions, private Side $side, private Capacity $capacity)
    {
        $this->physique = Physique::of($proportions);
    }

    /** @return list<Comparison> those that a body of these lengths can be in */
    public static function of(Proportions $proportions, Side $side, Capacity $capacity): array
    {
        $why = new self($proportions, $side, $capacity);
        $shown = [];
        foreach (
            [
                $why->closedFirst(...),
                $why->kneesShare(...),
                $why->longerShin(...),
                $why->secondLeg(...),
                $why->higherSeat(...),
                $why->rounded(...),
            ] as $show
        ) {
            try {
                $one = $show();
                // The first stands behind the second, so that the difference is seen.
                $shown[] =
                    null === $one
                        ? null
                        : new Comparison(
                            $one->code,
                            $one->one,
                            $one->two->with(
                                new Overlay(ghost: $one->one->figure, kneeShare: $one->numbers['share'] ?? 0.0),
                            ),
                            $one->numbers,
                        );
            } catch (\DomainException) {
                // A body that cannot be there has nothing to be shown there.
            }
        }

        return array_values(array_filter($shown));
    }

    /** The foot carried to the height of the hip: with the knee half bent, and closed first. */
    private function closedFirst(): Comparison
    {
        $body = $this->physique->leg($this->side);
        $turns = $figures = [];
        foreach ([self::HALF_BENT, self::CLOSED] as $knee) {
            $turns[] = $turn = TurnToLift::of($body, self::THIGH[0], self::THIGH[1], $knee, 0.0);
            $figures[] = $this->drawn(
                ['base' => 'standing', 'leg' => [...self::THIGH, $turn, $knee], 'arms' => [4, 24, 0, 10]],
                'front',
            );
        }
        $limit = $this->capacity->rotation ?? 0.0;

        return new Comparison('closed-first', $figures[0], $figures[1], [
            'one' => $turns[0],
            'two' => $turns[1],
            'has' => $limit,
            'twistOne' => max(0.0, $turns[0] - $limit),
            'twistTwo' => max(0.0, $turns[1] - $limit),
        ]);
    }

    /** The knee on a block as high as this hip needs it, and drawn into the full form. */
    private function kneesShare(): ?Comparison
    {
        $body = $this->physique->leg($this->side);
        // Of the turn alone: what else may hold a knee up is another question.
        $turn = new Capacity(rotation: $this->capacity->rotation);
        $full = $this->atHeight('half-lotus', self::FULL_KNEE);
        $lowest = LowestKnee::search($this->atHeight('half-lotus-easy', self::FULL_KNEE)->contact, $body, $turn);
        if (null === $lowest) {
            return null;
        }
        $share = Shortfall::of($full->angles($body), $turn)->atKnee();

        return new Comparison(
            'knees-share',
            $this->figure('half-lotus-easy', $this->atHeight('half-lotus-easy', $lowest->height()), $lowest->pose),
            $this->figure('half-lotus', $full, $full->pose($body)),
            ['knee' => $lowest->height(), 'full' => self::FULL_KNEE, 'share' => $share],
        );
    }

    /** The same hips with a shin that is longer: the knees come up by themselves. */
    private function longerShin(): ?Comparison
    {
        $lengths = [];
        foreach (Side::cases() as $side) {
            foreach ([Segment::Thigh, Segment::Shin] as $segment) {
                $lengths[Proportions::key($segment, $side)] = Length::cm(
                    $this->proportions->length($segment, $side)->cm +
                        (Segment::Shin === $segment ? self::LONGER_SHIN : 0.0),
                );
            }
        }
        $longer = Physique::of(Proportions::of($this->proportions->stature, $lengths));
        $sits = fn (float $knee): KneeAtHeight => $this->atHeight('soles-together', $knee, [
            'heelDistance' => self::HEELS,
        ]);
        $turn = new Capacity(rotation: $this->capacity->rotation);
        $contact = $sits(self::EASY_KNEE)->contact;
        $one = LowestKnee::search($contact, $this->physique->leg($this->side), $turn);
        $two = LowestKnee::search($contact, $longer->leg($this->side), $turn);
        if (null === $one || null === $two) {
            return null;
        }

        return new Comparison(
            'longer-shin',
            $this->figure('soles-together', $sits($one->height()), $one->pose),
            $this->figure('soles-together', $sits($two->height()), $two->pose, $longer),
            [
                'one' => $one->height(),
                'two' => $two->height(),
                'by' => $two->height() - $one->height(),
                'longer' => self::LONGER_SHIN,
            ],
        );
    }

    /** The first leg of lotus alone, and with the second over it: its knee comes up. */
    private function secondLeg(): ?Comparison
    {
        $turn = new Capacity(rotation: $this->capacity->rotation);
        $second = $this->physique->leg($this->side->opposite());
        $lowest = SecondLeg::lowest($this->physique->leg($this->side), $turn, $second, self::FULL_KNEE);
        if (null === $lowest) {
            return null;
        }
        [$one, $two] = $lowest;

        return new Comparison(
            'second-leg',
            $this->figure('half-lotus', $this->atHeight('half-lotus', $one->height()), $one->pose),
            $this->figure('full-lotus', $this->posture('full-lotus', []), $two->pose),
            ['one' => $one->height(), 'two' => $two->height(), 'by' => $two->height() - $one->height()],
        );
    }

    /** The seat higher, the knee where it was. */
    private function higherSeat(): Comparison
    {
        $body = $this->physique->leg($this->side);
        $figures = $asked = [];
        foreach ([0.0, self::HIGHER_SEAT] as $seat) {
            $posture = $this->atHeight('half-lotus-easy', self::EASY_KNEE, ['seat' => $seat]);
            $pose = $posture->pose($body);
            $asked[] = $pose->angles;
            $figures[] = $this->figure('half-lotus-easy', $posture, $pose);
        }

        return new Comparison('higher-seat', $figures[0], $figures[1], [
            'flexion' => $asked[0]->flexion - $asked[1]->flexion,
            'rotation' => $asked[0]->rotation - $asked[1]->rotation,
            'seat' => self::HIGHER_SEAT,
        ]);
    }

    /** The leg behind the head with a long back, and with a rounded one. */
    private function rounded(): Comparison
    {
        $body = $this->physique->leg($this->side);
        $figures = $flexion = [];
        foreach (self::ROUNDED as $rounding) {
            $posture = $this->posture('leg-behind-head', ['rounding' => $rounding, 'kneeOutside' => 20.0]);
            $pose =
                $posture instanceof FreeKnee
                    ? $posture->pose($body)
                    : throw new \LogicException('The knee of it is free.');
            $flexion[] = $pose->angles->flexion;
            $figures[] = $this->figure('leg-behind-head', $posture, $pose);
        }

        return new Comparison('rounded', $figures[0], $figures[1], [
            'one' => $flexion[0],
            'two' => $flexion[1],
            'back' => self::ROUNDED[1] - self::ROUNDED[0],
        ]);
    }

    /** @param array<string, float> $values beside the knee's height */
    private function atHeight(string $contact, float $knee, array $values = []): KneeAtHeight
    {
        $posture = $this->posture($contact, ['kneeHeight' => $knee] + $values);

        return $posture instanceof KneeAtHeight
            ? $posture
            : throw new \LogicException("No knee is at a height in $contact.");
    }

    /** @param array<string, float> $values */
    private function posture(string $contact, array $values): Posture
    {
        $class = Contacts::find($contact) ?? throw new \LogicException("There is no contact $contact.");

        // A body that goes far: what is shown is what the shape asks for.
        return $class::of(
            new SetUp(
                Fields::of($values),
                capacity: new Capacity(...self::FAR),
                upper: $this->physique->upper(Side::Left),
            ),
        );
    }

    private function figure(string $contact, Posture $posture, LegPose $pose, ?Physique $body = null): DrawnFigure
    {
        return ContactFigures::of($contact, $posture->props(), $body ?? $this->physique, $this->side, $pose) ??
            throw new \LogicException("Nothing says how $contact is drawn.");
    }

    /** @param array<string, mixed> $text */
    private function drawn(array $text, string $view): DrawnFigure
    {
        return new DrawnFigure(Figure::of(PoseText::pose($text), $this->physique, $this->side), [], false, $view);
    }
}
