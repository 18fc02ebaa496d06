<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Repository\AskedOnce;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Caution\Entry\Entry;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\History\History;
use LucidAscent\Core\History\ReadHistory;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Testing\Evidence;
use Psr\Clock\ClockInterface;

/**
 * A person as the records knew them at a moment, by the teacher's clock: nothing that was written down later is in it.
 */
final readonly class ReadPerson
{
    public function __construct(
        private PersonHistory $history,
        private Catalogue $catalogue,
        private ClockInterface $clock,
        private AskedOnce $asked,
    ) {
    }

    /** @return ReadPoses|null null when the body has not been measured */
    public function now(Practitioner $practitioner): ?ReadPoses
    {
        $now = $practitioner->teacher->local($this->clock->now());

        return $this->asked->lastMade(
            "$practitioner->id {$now->format('c')}",
            fn (): ?ReadPoses => $this->read($this->history->at($practitioner, $now), $now, true),
        );
    }

    /** @return ReadPoses|null null when the body had not been measured by then */
    public function at(Practitioner $practitioner, \DateTimeImmutable $moment): ?ReadPoses
    {
        $moment = $practitioner->teacher->local($moment);

        return $this->read($this->history->at($practitioner, $moment), $moment, false);
    }

    /** The same of somebody who is in no database. */
    public function supposed(Practitioner $practitioner, History $history): ?ReadPoses
    {
        return $this->read($history, $practitioner->teacher->local($this->clock->now()), true);
    }

    /** What is held now, whether or not the body has been measured; with more that somebody is about to say. */
    public function holds(Practitioner $practitioner, Entry ...$more): Holds
    {
        return $this->reading()->holds(
            $this->history->told($practitioner)->with(...$more),
            $practitioner->teacher->local($this->clock->now()),
        );
    }

    /** @return list<PainTold> every pain that was ever told, wherever it was, as the judge of holds hears it */
    public function pains(Practitioner $practitioner): array
    {
        return $this->reading()->pains(
            $this->history->told($practitioner),
            $practitioner->teacher->local($this->clock->now()),
        );
    }

    /**
     * All that was ever read or seen of a person by a moment, however old, by side.
     *
     * @return array{left: list<Evidence>, right: list<Evidence>}
     */
    public function series(Practitioner $practitioner, Proportions $proportions, \DateTimeImmutable $moment): array
    {
        $moment = $practitioner->teacher->local($moment);

        return $this->reading()->series($this->history->ever($practitioner, $moment), $proportions, $moment);
    }

    private function read(History $history, \DateTimeImmutable $moment, bool $isNow): ?ReadPoses
    {
        $person = $this->reading()->snapshot($history, $moment, $isNow);

        return null === $person
            ? null
            : new ReadPoses($this->catalogue->postures(), $person, $this->catalogue->tests());
    }

    /** The catalogue may have a teacher's own entries laid beside it meanwhile: it is asked each time. */
    private function reading(): ReadHistory
    {
        return new ReadHistory($this->catalogue->postures(), $this->catalogue->tests());
    }
}
