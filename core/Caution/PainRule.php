<?php

declare(strict_types=1);

namespace LucidAscent\Core\Caution;

use LucidAscent\Core\Body\Side;

/**
 * What a pain holds, and who may lift it. Common practice says only: stop; who may lift what is this
 * product's own.
 */
final readonly class PainRule
{
    /** An ache of so much ends the work, wherever it is; this product's own limit. */
    public const ACHE = 5;
    /** An ache up to here at knee, low back or neck may be lifted by the teacher. */
    private const SLIGHT = 2;

    /** @param Side|null $side null for both */
    private function __construct(public Condition $holds, public ?Side $side, public ClearanceAuthority $word)
    {
    }

    /**
     * @param Side|null $side the side on which it was said; null when none was
     * @param Work|null $during what was being done; null when nobody knows
     *
     * @return self|null null for what is watched and no more
     */
    public static function of(Pain $pain, ?Side $side, ?Work $during): ?self
    {
        if (!$pain->isFelt()) {
            return null;
        }
        $isMild = $pain->kind->isMild() && PainPlace::Unknown !== $pain->place && PainPlace::None !== $pain->place;
        if ($pain->isInKnee()) {
            return new self(
                Condition::everything('knee-pain', 'Pain in or around a knee'),
                $side,
                $isMild && $pain->level <= self::SLIGHT ? ClearanceAuthority::Teacher : ClearanceAuthority::Clinician,
            );
        }
        if (!$isMild || $pain->level >= self::ACHE) {
            [$id, $name] = match (true) {
                $pain->kind->isNumb() => ['lasting-numbness', 'Numbness that stays'],
                PainKind::Clicking === $pain->kind => ['groin-clicking', 'Clicking or locking, with pain'],
                $isMild => ['strong-ache', 'An ache of five or more'],
                default => ['sharp-pain', 'Sharp, pinching or burning pain'],
            };
            $word = $isMild && !$pain->place->isMiddle() ? ClearanceAuthority::Teacher : ClearanceAuthority::Clinician;

            return $pain->place->isMiddle() || null === $side
                ? new self(Condition::everything($id, $name, Exemption::LyingRest), null, $word)
                : new self(Condition::everything($id, $name), $side, $word);
        }
        $word = $pain->level <= self::SLIGHT ? ClearanceAuthority::Teacher : ClearanceAuthority::Clinician;
        if (
            PainPlace::LowBack === $pain->place
            && (null === $during || $during->has(Load::LoadedFold) || $during->has(Load::Backbend))
        ) {
            return new self(
                new Condition('low-back-pain-moving', 'Low-back pain in folds or backbends', [
                    Load::LoadedFold->value,
                    Load::Backbend->value,
                ]),
                null,
                $word,
            );
        }
        if (PainPlace::Neck === $pain->place) {
            return new self(new Condition('neck-pain', 'Neck pain', [Load::Neck->value]), null, $word);
        }
        if (PainPlace::SittingBone === $pain->place) {
            return new self(
                new Condition('hamstring-root', 'A pull where the hamstring begins', [Load::HamstringEnd->value]),
                $side,
                ClearanceAuthority::Teacher,
            );
        }

        return null;
    }
}
