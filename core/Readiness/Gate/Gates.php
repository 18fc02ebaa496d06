<?php

declare(strict_types=1);

namespace LucidAscent\Core\Readiness\Gate;

use LucidAscent\Core\Posture\GateDefinition;
use LucidAscent\Core\Posture\GateKind;
use LucidAscent\Core\Readiness\GateOutcome;

/** Gates out of what the catalogue says of them. */
final class Gates
{
    public static function of(GateDefinition $gate): Gate
    {
        return match ($gate->kind) {
            GateKind::First => new PostureFirst($gate->asks),
            GateKind::Sitting => new Sitting(GateOutcome::from($gate->asks)),
            GateKind::Observed => new Watched($gate->asks),
        };
    }
}
