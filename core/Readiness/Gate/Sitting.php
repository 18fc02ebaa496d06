<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\EvidenceCutOff;
use LucidAscent\Core\Readiness\GateOutcome;
use LucidAscent\Core\Readiness\LotusGate;
use LucidAscent\Core\Readiness\Snapshot;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** Soles together, heels close in and knees near the floor, before a foot goes into the crease (common practice). */
final readonly class Sitting implements Gate
{
    /** The test that reads it. */
    public const TEST = 'soles-together';

    public function __construct(private GateOutcome $needed)
    {
    }

    public function check(Snapshot $person, Side $side, callable $stateOf, ?EvidenceCutOff $since): GateFinding
    {
        $taken = $person->newest(self::TEST, $side);
        if (
            null === $taken
            || !$taken->has('heelDistance')
            || !$taken->has('kneeHeight')
            || (null !== $since && !$since->isBefore($taken->on, $taken->at))
        ) {
            return self::missing('gate.not-read');
        }
        if (!$taken->isClean()) {
            return self::missing('gate.not-clean');
        }
        $numbers = [
            'heels' => $taken->measure('heelDistance')->mean(),
            'knee' => $taken->measure('kneeHeight')->mean(),
            'hip' => $taken->sitting->hipHeight($person->proportions->body($side)),
        ];
        $error = max($person->readingError($taken, 'heelDistance'), $person->readingError($taken, 'kneeHeight'));
        $outcome = LotusGate::outcome($numbers['heels'], $numbers['knee'], $numbers['hip'], $error);
        if ($outcome->allows($this->needed)) {
            return GateFinding::ofTest(
                self::TEST,
                State::Open,
                new Reason('gate.'.$outcome->value, Source::Trade, $numbers),
                false,
            );
        }

        // Where the careful side of a limit was taken, the numbers alone would have said otherwise: measured again, it
        // may be met.
        return LotusGate::outcome($numbers['heels'], $numbers['knee'], $numbers['hip'])->allows($this->needed)
            ? self::missing('gate.close', $numbers + ['error' => $error])
            : GateFinding::ofTest(
                self::TEST,
                State::First,
                new Reason('gate.'.$outcome->value, Source::Trade, $numbers + ['error' => $error]),
                false,
            );
    }

    /** @param array<string, float> $numbers in cm */
    private static function missing(string $code, array $numbers = []): GateFinding
    {
        return GateFinding::ofTest(self::TEST, State::Unknown, new Reason($code, Source::Trade, $numbers), true);
    }
}
