<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Repository\AssessmentRecords;

/** The poses that somebody wants: those of the newest assessment that named any. */
final readonly class Wanted
{
    /** Until somebody has said, what most people come for. */
    private const USUAL = ['half-lotus'];

    public function __construct(private AssessmentRecords $assessments, private Catalogue $catalogue)
    {
    }

    /** @return non-empty-list<string> ids of postures that there are */
    public function of(Practitioner $practitioner): array
    {
        foreach ($this->assessments->assessments($practitioner) as $assessment) {
            $wanted = array_values(
                array_filter($assessment->wanted, fn (string $id): bool => isset($this->catalogue->postures()[$id])),
            );
            if ([] !== $wanted) {
                return $wanted;
            }
        }

        return self::USUAL;
    }
}
