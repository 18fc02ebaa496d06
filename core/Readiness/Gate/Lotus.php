<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\GateOutcome;
use LucidAscent\Core\Readiness\KnownPerson;
use LucidAscent\Core\Readiness\LotusGate;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** Soles together, heels close in and knees near the floor, before a foot goes into the crease (common practice). */
final class Lotus implements Gate
{
    public function postures(): array
    {
        return ['half-lotus', 'lotus', 'half-lotus-fold-bind', 'half-lotus-twist', 'feet-to-navel'];
    }

    public function check(KnownPerson $person, Side $side, callable $isInReach): GateFinding
    {
        $taken = $person->newest('soles-together', $side);
        if (null === $taken || !$taken->has('heelDistance') || !$taken->has('kneeHeight')) {
            return new GateFinding(State::Unknown, new Reason('gate.not-read', Source::Trade));
        }
        $numbers = [
            'heels' => $taken->measure('heelDistance')->mean(),
            'knee' => $taken->measure('kneeHeight')->mean(),
            'hip' => $taken->sitting->hipHeight($person->proportions->body($side)),
        ];
        $outcome = LotusGate::outcome($numbers['heels'], $numbers['knee'], $numbers['hip']);

        return new GateFinding(match ($outcome) {
            GateOutcome::MayTry => State::Open,
            GateOutcome::Supported => State::Unknown,
            GateOutcome::NotNow => State::Short,
        }, new Reason('gate.'.$outcome->value, Source::Trade, $numbers));
    }
}
