<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;
use LucidAscent\Core\Testing\SmallestChange;
use LucidAscent\Core\Testing\TakenTest;

/**
 * The same leg in another form of soles-together sitting: what differs by more than the tape's error is told,
 * and none of it changes a finding. A test that was compensated or hurt is not compared.
 */
final readonly class SameLeg
{
    /** Knee of the one-leg forward fold. */
    public const FOLD = 'one-leg-fold-knee';
    /** Knees with the soles opened like a book. */
    public const OPENED = 'soles-opened';
    /** Knees with the pelvis tipped forward, and then back, against the wall. */
    public const ROCK = 'pelvis-rock';

    private function __construct(private Snapshot $person, private Side $side)
    {
    }

    /**
     * @param TakenTest $sitting the sitting with the soles together as they fall
     *
     * @return list<Reason>
     */
    public static function compared(Snapshot $person, Side $side, TakenTest $sitting): array
    {
        $same = new self($person, $side);

        return array_values(
            array_filter([
                ...$sitting->isClean() ? [$same->inFold($sitting), $same->opened($sitting)] : [],
                $same->rocked(),
            ]),
        );
    }

    /**
     * A knee that lies lower in the one-leg fold: the pelvis was rolling, and the fold flatters the hip (common
     * practice).
     */
    private function inFold(TakenTest $sitting): ?Reason
    {
        return $this->lower(self::FOLD, 'kneeHeight', $sitting, 'same-leg.pelvis-rolls', 'fold', Source::Trade);
    }

    /** A knee that comes lower once the soles face up: the shin turns with the foot (this product's own). */
    private function opened(TakenTest $sitting): ?Reason
    {
        return $this->lower(self::OPENED, 'kneeHeight', $sitting, 'same-leg.opened', 'opened', Source::Own);
    }

    private function lower(
        string $test,
        string $name,
        TakenTest $sitting,
        string $code,
        string $as,
        Source $source,
    ): ?Reason {
        $other = $this->newest($test, $name);
        if (null === $other) {
            return null;
        }
        $there = $other->measure($name)->mean();
        $here = $sitting->measure('kneeHeight')->mean();
        $sd = max($this->person->readingError($other, $name), $this->person->readingError($sitting, 'kneeHeight'));

        return $here - $there > SmallestChange::of($sd)
            ? new Reason($code, $source, [$as => $there, 'soles' => $here])
            : null;
    }

    /** How much the pelvis gives: the knee with it tipped forward against tipped back (common practice). */
    private function rocked(): ?Reason
    {
        $rock = $this->newest(self::ROCK, 'kneeForward');
        if (null === $rock || !$rock->has('kneeBack')) {
            return null;
        }
        [$forward, $back] = [$rock->measure('kneeForward')->mean(), $rock->measure('kneeBack')->mean()];
        $sd = max($this->person->readingError($rock, 'kneeForward'), $this->person->readingError($rock, 'kneeBack'));

        return new Reason(
            abs($forward - $back) > SmallestChange::of($sd) ? 'same-leg.pelvis-gives' : 'same-leg.pelvis-still',
            Source::Trade,
            ['forward' => $forward, 'back' => $back, 'by' => abs($forward - $back)],
        );
    }

    private function newest(string $test, string $name): ?TakenTest
    {
        $taken = $this->person->newest($test, $this->side);

        return null !== $taken && $taken->isClean() && $taken->has($name) ? $taken : null;
    }
}
