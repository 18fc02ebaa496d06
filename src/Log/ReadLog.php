<?php

declare(strict_types=1);

namespace LucidAscent\App\Log;

use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\History\Entry\FeltSaid;

/** A session log as it was read: what is to be kept, and every pain that it speaks of. */
final readonly class ReadLog
{
    /**
     * @param non-empty-list<SessionLog|RungCheck|PractitionerNote> $records
     * @param list<array{Pain, Side|null, string, string}> $pains that no check keeps: pain, side, posture, rung
     * @param list<array{Pain, Side|null, string, string}> $inChecks that a check keeps
     * @param list<FeltSaid> $felt where it was felt
     */
    public function __construct(
        public string $id,
        public \DateTimeImmutable $on,
        public array $records,
        public array $pains,
        public array $inChecks,
        public array $felt,
    ) {
    }

    /** Whether a note in it has to be read before anything deep is done. */
    public function asks(): bool
    {
        return [] !== array_filter($this->records, static fn (object $one): bool => $one instanceof PractitionerNote);
    }

    public function hurts(): bool
    {
        return [] !==
            array_filter(
                [
                    ...array_column([...$this->pains, ...$this->inChecks], 0),
                    ...array_map(static fn (FeltSaid $felt): Pain => $felt->pain(), $this->felt),
                ],
                static fn (Pain $pain): bool => $pain->isFelt(),
            );
    }
}
