<?php

declare(strict_types=1);

namespace LucidAscent\Core\History;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Entry\EnteredByMistake;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\History\Entry\BodyMeasured;
use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\History\Entry\FeltSaid;
use LucidAscent\Core\History\Entry\RungSeen;
use LucidAscent\Core\History\Entry\TestCorrected;
use LucidAscent\Core\History\Entry\TestTaken;
use LucidAscent\Core\Posture\RungDefinition;
use LucidAscent\Core\Practice\FeltOnRung;
use LucidAscent\Core\Testing\ToolErrors;

/**
 * All that was written down of one person, in any order: records, files and documents are turned into this, and nothing
 * else is asked.
 */
final readonly class History
{
    /** @var array<class-string<Entry>, non-empty-list<Entry>> in their order, by what they are */
    private array $byKind;

    /** @param list<Entry> $entries */
    public function __construct(public array $entries, public ToolErrors $tools)
    {
        $byKind = [];
        foreach ($entries as $entry) {
            $byKind[$entry::class][] = $entry;
        }
        $this->byKind = $byKind;
    }

    public function with(Entry ...$more): self
    {
        return new self([...$this->entries, ...array_values($more)], $this->tools);
    }

    /**
     * What had been entered before a moment. A test is as it was corrected since: a slip of the pen was never how far
     * somebody went.
     */
    public function before(\DateTimeImmutable $moment): self
    {
        $taken = [];
        foreach ($this->of(TestCorrected::class) as $one) {
            $taken[$one->entry] = $one->taken;
        }
        $before = [];
        foreach ($this->entries as $entry) {
            $first =
                $entry instanceof TestTaken || $entry instanceof TestCorrected ? $taken[$entry->entry] ?? null : null;
            $entry = null === $first ? $entry : $entry->enteredAt($first);
            if ($entry->at() < $moment) {
                $before[] = $entry;
            }
        }

        return new self($before, $this->tools);
    }

    /** The body as it was measured last by a moment; null when nobody had. */
    public function body(\DateTimeImmutable $moment): ?Proportions
    {
        $measured = array_filter(
            $this->of(BodyMeasured::class),
            static fn (BodyMeasured $body): bool => $body->at <= $moment,
        );
        usort($measured, static fn (BodyMeasured $a, BodyMeasured $b): int => $b->at <=> $a->at);

        return ($measured[0] ?? null)?->proportions;
    }

    /**
     * What was felt; slips of the pen are none of it. A slip that takes back the pain that was told of the same shape
     * takes back what was felt with it; one that takes back another pain of that day does not.
     *
     * @return list<FeltSaid> in their order
     */
    public function felt(): array
    {
        $felt = $this->of(FeltSaid::class);
        $slips = array_filter($this->of(PainTold::class), $this->isTakenBack(...));

        return [] === $this->of(EnteredByMistake::class)
            ? $felt
            : array_values(
                array_filter(
                    $felt,
                    fn (FeltSaid $one): bool => !$this->isTakenBack($one)
                        && [] === array_filter(
                            $slips,
                            static fn (PainTold $told): bool => $one->posture === $told->posture
                                && $one->isToldBy($told),
                        ),
                ),
            );
    }

    /** What was felt in a shape on a side. */
    public function feltIn(string $posture, string $rung, Side $side, ?RungDefinition $definition): FeltOnRung
    {
        return FeltOnRung::of(
            array_merge(...array_map(static fn (FeltSaid $one): array => $one->felt(), $this->felt())),
            $posture,
            $rung,
            $side,
            $definition->felt ?? [],
        );
    }

    /**
     * Whether what was felt is pain that was told as such, too: then it is told once. A pain of no shape that was taken
     * back tells nothing.
     */
    public function isToldBeside(FeltSaid $felt): bool
    {
        foreach ($this->of(PainTold::class) as $told) {
            if ($felt->isToldBy($told) && ($told->posture === $felt->posture || !$this->isTakenBack($told))) {
                return true;
            }
        }

        return false;
    }

    /** Whether it was a slip of the pen, as those say who may. */
    private function isTakenBack(Entry $entry): bool
    {
        foreach ($this->of(EnteredByMistake::class) as $slip) {
            if ($slip->names === $entry->id() && EnteredByMistake::mayTakeBack($entry, $slip->by, $slip->at)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<CheckMade> as they were practised: where what was felt that day hurt, it was no clean session */
    public function checks(): array
    {
        $hurting = $this->hurting();

        return array_map(
            static fn (CheckMade $made): CheckMade => array_reduce(
                self::in($hurting, $made->posture, $made->check->rung, $made->side, $made->on),
                static fn (CheckMade $check, FeltSaid $felt): CheckMade => $check->withPain($felt->pain()),
                $made,
            ),
            $this->of(CheckMade::class),
        );
    }

    /** @return list<RungSeen> as they were seen, likewise */
    public function seen(): array
    {
        $hurting = $this->hurting();

        return array_map(
            static fn (RungSeen $seen): RungSeen => array_reduce(
                self::in($hurting, $seen->posture, $seen->rung, $seen->side, $seen->on),
                static fn (RungSeen $one, FeltSaid $felt): RungSeen => $one->withPain($felt->pain()),
                $seen,
            ),
            $this->of(RungSeen::class),
        );
    }

    /** @return list<FeltSaid> what was felt and is pain */
    private function hurting(): array
    {
        return array_values(
            array_filter($this->felt(), static fn (FeltSaid $felt): bool => $felt->pain()->isFelt()),
        );
    }

    /**
     * @param list<FeltSaid> $felt
     *
     * @return array<FeltSaid> what of it is of a shape on a side, on a day
     */
    private static function in(
        array $felt,
        string $posture,
        string $rung,
        Side $side,
        \DateTimeImmutable $on,
    ): array {
        return array_filter($felt, static fn (FeltSaid $one): bool => $one->isOf($posture, $rung, $side, $on));
    }

    /**
     * @template T of Entry
     *
     * @param class-string<T> $kind
     *
     * @return list<T> in their order
     */
    public function of(string $kind): array
    {
        /** @var list<T> $found */
        $found = $this->byKind[$kind] ?? [];

        return $found;
    }
}
