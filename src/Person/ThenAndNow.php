<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Repository\AssessmentRecords;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\PoseReading;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\State;

/** The wanted poses: what was kept of them at first, what they are now, and when their numbers will be met. */
final readonly class ThenAndNow
{
    public function __construct(
        private AssessmentRecords $assessments,
        private ReadPerson $person,
        private Catalogue $catalogue,
        private Wanted $wanted,
    ) {
    }

    /**
     * A line for each wanted pose and side: what was kept at first, what it is now, and when its numbers will be met.
     *
     * @param array<string, array<string, SideProgress>> $progress
     *
     * @return array{on: \DateTimeImmutable|null, thenBody: Proportions|null, lines: list<array<string, mixed>>}
     */
    public function of(Practitioner $practitioner, ReadPoses $poses, array $progress, \DateTimeImmutable $today): array
    {
        $first = $this->assessments->firstOutcome($practitioner);
        $then = null === $first ? null : $this->person->at($practitioner, $first->at);
        $lines = [];
        foreach ($this->wanted->of($practitioner) as $id) {
            $sides = [];
            foreach (Side::cases() as $side) {
                $now = $poses->of($id, $side);
                $sides[$side->value] = [
                    'then' => $then?->of($id, $side),
                    'keptThen' => $first->states[$id][$side->value] ?? null,
                    'now' => $now,
                    'when' => $this->when($now, $progress, $side, $today),
                ];
            }
            $lines[] = ['posture' => $id, 'name' => $poses->postures[$id]->name, 'sides' => $sides];
        }

        return ['on' => $first?->at, 'thenBody' => $then?->person->proportions, 'lines' => $lines];
    }

    /**
     * When the last of what is still wanting will be met: never a day for what is held, and none while one of them has
     * none.
     *
     * @param array<string, array<string, SideProgress>> $progress
     *
     * @return array{code: string, from: \DateTimeImmutable|null, to: \DateTimeImmutable|null, ability: string}
     */
    private function when(PoseReading $pose, array $progress, Side $side, \DateTimeImmutable $now): array
    {
        $none = static fn (string $code, string $ability = ''): array => [
            'code' => $code,
            'from' => null,
            'to' => null,
            'ability' => $ability,
        ];
        if (State::Held === $pose->state() || $pose->full()->hasNoDay()) {
            return $none('held');
        }
        // What comes first has its own day, and this one none before it.
        foreach ($pose->full()->shut() as $gate) {
            if ($gate->isKnownShut() && '' !== $gate->posture) {
                return $none('first', $this->catalogue->names(Kind::Posture)[$gate->posture] ?? $gate->posture);
            }
        }
        $isShut = [] !== $pose->full()->shut();
        if (State::Open === $pose->full()->stateUnheld()) {
            return $none($isShut ? 'gate' : 'open');
        }
        $last = null;
        foreach ($pose->full()->byWeight() as $margin) {
            $ability = $margin->ability->value;
            if (State::Open === $margin->state() || $margin->isOtherLeg) {
                continue;
            }
            $of = ($progress[$ability][$side->value] ?? null)?->progress->towards(
                $pose->full()->askedOf($margin->ability),
                false,
                $now,
            );
            if (null === $of || null === $margin->capacity) {
                return $none('unread', $ability);
            }
            if ('progress.not-by-this' === $of->because->code) {
                return $none('not-by-this', $ability);
            }
            if ('progress.met' === $of->because->code) {
                continue;
            }
            if (null === $of->from) {
                return $none('unknown', $ability);
            }
            // What has no end in sight is the last of all.
            if (null === $last || (null !== $last->to && (null === $of->to || $of->to > $last->to))) {
                $last = $of;
            }
        }

        return null === $last
            ? $none($isShut ? 'gate' : 'soon')
            : ['code' => 'when', 'from' => $last->from, 'to' => $last->to, 'ability' => $last->ability->value];
    }
}
