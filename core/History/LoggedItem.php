<?php

declare(strict_types=1);

namespace LucidAscent\Core\History;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Posture\FeltPlace;

/** One thing that was done in a session, as it was logged. */
final readonly class LoggedItem
{
    /**
     * @param string $shape a rung of the posture, or a form beside one
     * @param list<Side> $sides
     * @param bool $isRepeated whether it was a drill
     * @param list<string> $compensations
     * @param list<Pain> $pains all that it says of pain
     * @param array<string, float> $heights of joints, in cm, by the names of the leg chain
     * @param bool $isSideSaid whether somebody said which side it was: what hurt without that is nobody's side
     * @param FeltPlace|null $felt where it was felt; null where nobody said
     * @param PainKind $feltKind what that was like
     */
    public function __construct(
        public string $posture,
        public string $shape,
        public array $sides,
        public bool $isRepeated,
        public bool $holdReached,
        public bool $evenBreath,
        public array $compensations = [],
        public array $pains = [],
        public array $heights = [],
        public bool $isSideSaid = true,
        public ?FeltPlace $felt = null,
        public PainKind $feltKind = PainKind::Stretch,
    ) {
    }
}
