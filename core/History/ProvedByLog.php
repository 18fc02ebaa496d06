<?php

declare(strict_types=1);

namespace LucidAscent\Core\History;

use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\History\Entry\FeltSaid;
use LucidAscent\Core\Posture\PostureDefinition;
use LucidAscent\Core\Practice\ReadinessCheck;

/**
 * What the log of a session says of a person: a check of each rung and side that was practised, and pain. What is
 * repeated, and a form beside a rung, proves no rung; nor does what nobody planned where no teacher was there to see
 * it.
 * What was practised twice on one side is one check, the worse of the two; what hurt counts both times.
 */
final readonly class ProvedByLog
{
    /**
     * @param list<CheckMade> $checks one a posture, rung and side
     * @param list<PainTold> $pains that no check says
     * @param list<FeltSaid> $felt where it was felt
     */
    private function __construct(public array $checks, public array $pains, public array $felt)
    {
    }

    /**
     * @param list<LoggedItem> $items
     * @param array<string, PostureDefinition> $postures by id
     * @param bool $soreAtNight whether the night after it was disturbed
     * @param \DateTimeImmutable|null $known the moment at which it was written down; null where only the day is known
     * @param callable(string, string, Side): bool $isPlanned whether a rung of a posture was planned for a side; null
     *     where a teacher was there
     */
    public static function of(
        string $id,
        \DateTimeImmutable $at,
        \DateTimeImmutable $on,
        string $by,
        array $items,
        array $postures,
        bool $soreAtNight,
        ?\DateTimeImmutable $known,
        ?callable $isPlanned = null,
    ): self {
        $checks = $pains = $felt = [];
        $told = static fn (Pain $pain, ?Side $side, LoggedItem $item): PainTold => new PainTold(
            $id,
            $at,
            $on,
            $pain,
            $side,
            ($postures[$item->posture] ?? null)?->rung($item->shape)?->work,
            $item->posture,
            $item->shape,
            $by,
        );
        foreach ($items as $item) {
            $isRung = !$item->isRepeated && null !== ($postures[$item->posture] ?? null)?->rung($item->shape);
            foreach ($item->sides as $side) {
                $hurts = $item->isSideSaid ? $side : null;
                if (null !== $item->felt) {
                    $felt[] = new FeltSaid(
                        $id,
                        $at,
                        $on,
                        $by,
                        $item->posture,
                        $item->shape,
                        $hurts,
                        $item->felt,
                        $item->feltKind,
                    );
                }
                if (!$isRung || (null !== $isPlanned && !$isPlanned($item->posture, $item->shape, $side))) {
                    array_push(
                        $pains,
                        ...array_map(static fn (Pain $pain): PainTold => $told($pain, $hurts, $item), $item->pains),
                    );
                    continue;
                }
                $check = new ReadinessCheck(
                    $item->shape,
                    $on,
                    $item->holdReached,
                    $item->evenBreath,
                    $item->pains[0] ?? Pain::none(),
                    $item->compensations,
                    $soreAtNight,
                    $known,
                );
                array_push(
                    $pains,
                    ...array_map(
                        static fn (Pain $pain): PainTold => $told($pain, $hurts, $item),
                        array_slice($item->pains, 1),
                    ),
                );
                $key = "$item->posture $item->shape $side->value";
                $other = $checks[$key] ?? null;
                $worse = null === $other ? $check : ReadinessCheck::worstOfEachDay([$other->check, $check])[0];
                $milder = null === $other ? null : ($worse === $check ? $other->check : $check);
                if (null !== $milder) {
                    $pains[] = $told($milder->pain, $hurts, $item);
                }
                $checks[$key] =
                    null !== $other && $worse !== $check
                        ? $other
                        : new CheckMade(
                            $id,
                            $at,
                            $on,
                            $by,
                            $item->posture,
                            $side,
                            $check,
                            null,
                            $item->heights,
                            $hurts,
                        );
            }
        }

        return new self(
            array_values($checks),
            array_values(array_filter($pains, static fn (PainTold $one): bool => $one->pain->isFelt())),
            $felt,
        );
    }

    /** @return list<Entry> */
    public function entries(): array
    {
        return [...$this->checks, ...$this->pains, ...$this->felt];
    }
}
