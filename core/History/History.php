<?php

declare(strict_types=1);

namespace LucidAscent\Core\History;

use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Caution\Entry\EnteredByMistake;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\History\Entry\BodyMeasured;
use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\History\Entry\FeltSaid;
use LucidAscent\Core\History\Entry\RungSeen;
use LucidAscent\Core\History\Entry\TestCorrected;
use LucidAscent\Core\History\Entry\TestTaken;
use LucidAscent\Core\Testing\ToolErrors;

/**
 * All that was written down of one person, in any order: records, files and documents are turned into this, and nothing
 * else is asked.
 */
final readonly class History
{
    /** @param list<Entry> $entries */
    public function __construct(public array $entries, public ToolErrors $tools)
    {
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
     * What was felt, by whom and when it may be; slips of the pen are none of it.
     *
     * @return list<FeltSaid> in their order
     */
    public function felt(): array
    {
        $slips = $this->of(EnteredByMistake::class);
        $told = $this->of(PainTold::class);

        return array_values(
            array_filter($this->of(FeltSaid::class), static function (FeltSaid $felt) use ($slips, $told): bool {
                $said = [$felt, ...array_filter($told, $felt->isToldBy(...))];
                foreach ($slips as $slip) {
                    foreach ($said as $one) {
                        if ($slip->names === $one->id && EnteredByMistake::mayTakeBack($one, $slip->by, $slip->at)) {
                            return false;
                        }
                    }
                }

                return true;
            }),
        );
    }

    /** @return list<FeltSaid> what was felt and is pain */
    private function hurting(): array
    {
        return array_values(
            array_filter($this->felt(), static fn (FeltSaid $felt): bool => $felt->pain()->isFelt()),
        );
    }

    /** @return list<CheckMade> as they were practised: where what was felt that day hurt, it was no clean session */
    public function checks(): array
    {
        $hurting = $this->hurting();

        return array_map(static function (CheckMade $check) use ($hurting): CheckMade {
            foreach ($hurting as $one) {
                $check = $one->isOf($check->posture, $check->check->rung, $check->side, $check->on)
                    ? $check->withPain($one->pain())
                    : $check;
            }

            return $check;
        }, $this->of(CheckMade::class));
    }

    /** @return list<RungSeen> as they were seen, likewise */
    public function seen(): array
    {
        $hurting = $this->hurting();

        return array_map(static function (RungSeen $seen) use ($hurting): RungSeen {
            foreach ($hurting as $one) {
                $seen = $one->isOf($seen->posture, $seen->rung, $seen->side, $seen->on)
                    ? $seen->withPain($one->pain())
                    : $seen;
            }

            return $seen;
        }, $this->of(RungSeen::class));
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
        return array_values(array_filter($this->entries, static fn (Entry $entry): bool => $entry instanceof $kind));
    }
}
