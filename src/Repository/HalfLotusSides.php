<?php

declare(strict_types=1);

namespace LucidAscent\App\Repository;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\Test;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Progression\History;
use LucidAscent\Core\Progression\SideOnLadder;
use LucidAscent\Core\Progression\SideRecord;
use LucidAscent\Core\Progression\Standing;
use LucidAscent\Core\Readiness\GateOutcome;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Testing\SolesTogetherTest;
use Psr\Clock\ClockInterface;

/** Both sides of a practitioner on the half-lotus ladder, read out of the records. */
final readonly class HalfLotusSides
{
    public function __construct(private Records $records, private Catalogue $catalogue, private ClockInterface $clock)
    {
    }

    /** @return array{left: SideOnLadder, right: SideOnLadder} */
    public function of(Practitioner $practitioner): array
    {
        $ladder = $this->catalogue->halfLotus();
        $proportions = $this->records->body($practitioner)?->proportions();
        $tests = self::solesTogether($this->records->tests($practitioner));
        $decisions = $this->records->decisions($practitioner, $ladder->id);
        $clearances = $this->records->clearances($practitioner);
        $sides = [];
        foreach (Side::cases() as $side) {
            $test = self::newest($tests, $side);
            $decision = self::newest($decisions, $side);
            $sides[$side->value] = SideOnLadder::of($ladder, $proportions, new SideRecord(
                $side,
                $test instanceof Test ? $test->solesTogether() : null,
                $decision?->step,
                null !== $decision && $ladder->has($decision->rungAfter) ? $ladder->rung($decision->rungAfter) : null,
                $decision?->at,
                self::newest($clearances, $side)?->at,
            ), $this->clock->now());
        }

        return $sides;
    }

    /** The newest test of one side, as the core reads it. */
    public function test(Practitioner $practitioner, Side $side): ?SolesTogetherTest
    {
        return self::newest(self::solesTogether($this->records->tests($practitioner)), $side)?->solesTogether();
    }

    /** The checks of one side up to this one, as the rules of progression see them. */
    public function history(SideOnLadder $side, RungCheck $check): History
    {
        $ladder = $this->catalogue->halfLotus();
        $next = $ladder->after($ladder->rung($check->rung));

        return new History(
            $ladder,
            $this->records->practisedUpTo($check, $side->record->clearedAt),
            null !== $next && Standing::allowed($next, $side->verdict),
            GateOutcome::MayTry === $next?->gate && State::Unknown === $side->verdict->state,
        );
    }

    /**
     * @param list<Test> $tests
     *
     * @return list<Test> what the lotus gate reads
     */
    private static function solesTogether(array $tests): array
    {
        return array_values(array_filter($tests, static fn (Test $test): bool => Test::SOLES_TOGETHER === $test->kind));
    }

    /**
     * @template T of object{side: Side}
     *
     * @param list<T> $records the newest first
     *
     * @return T|null
     */
    private static function newest(array $records, Side $side): ?object
    {
        foreach ($records as $record) {
            if ($record->side === $side) {
                return $record;
            }
        }

        return null;
    }
}
