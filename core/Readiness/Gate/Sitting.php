<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Practice\Since;
use LucidAscent\Core\Readiness\GateOutcome;
use LucidAscent\Core\Readiness\KnownPerson;
use LucidAscent\Core\Readiness\LotusGate;
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

    public function check(KnownPerson $person, Side $side, callable $isInReach, ?Since $since): GateFinding
    {
        $taken = $person->newest(self::TEST, $side);
        if (null === $taken || !$taken->has('heelDistance') || !$taken->has('kneeHeight') || (null !== $since && !$since->isBefore($taken->on, $taken->at))) {
            return new GateFinding(State::Unknown, new Reason('gate.not-read', Source::Trade), self::TEST);
        }
        if (!$taken->isClean()) {
            return new GateFinding(State::Unknown, new Reason('gate.not-clean', Source::Trade), self::TEST);
        }
        $numbers = [
            'heels' => $taken->measure('heelDistance')->mean(),
            'knee' => $taken->measure('kneeHeight')->mean(),
            'hip' => $taken->sitting->hipHeight($person->proportions->body($side)),
        ];
        $error = max($person->readingError($taken, 'heelDistance'), $person->readingError($taken, 'kneeHeight'));
        $outcome = LotusGate::outcome($numbers['heels'], $numbers['knee'], $numbers['hip'], $error);
        if ($outcome->allows($this->needed)) {
            return new GateFinding(State::Open, new Reason('gate.'.$outcome->value, Source::Trade, $numbers));
        }
        // Where the careful side of a limit was taken, the numbers alone would have said otherwise.
        $isClose = $outcome !== LotusGate::outcome($numbers['heels'], $numbers['knee'], $numbers['hip']);

        return new GateFinding(
            GateOutcome::NotNow === $outcome ? State::Short : State::Unknown,
            new Reason($isClose ? 'gate.close' : 'gate.'.$outcome->value, Source::Trade, $numbers + ['error' => $error]),
            $isClose ? self::TEST : '',
        );
    }
}
