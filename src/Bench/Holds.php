<?php

declare(strict_types=1);

namespace LucidAscent\App\Bench;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Permission;
use LucidAscent\Core\Caution\StopSign;
use LucidAscent\Core\Testing\TestDefinition;

/** What a person was asked and what hurt on the day, as the cautions that hold tests. */
final readonly class Holds
{
    public function __construct(private Records $records, private Catalogue $catalogue)
    {
    }

    /**
     * The conditions that the newest assessment asked about, and what hurt before it began.
     *
     * @return list<Condition>
     */
    public function conditions(Practitioner $practitioner, ?Assessment $assessment = null): array
    {
        $assessment ??= $this->records->newestAssessment($practitioner);

        return null === $assessment ? [] : $this->catalogue->named([...$assessment->conditions, StopSign::of($assessment->pain())]);
    }

    /**
     * Why a test may not be taken on a side: the conditions, and stop signs met earlier in the same assessment.
     *
     * @param list<Test> $tests the person's
     *
     * @return list<Condition>
     */
    public function of(TestDefinition $test, Side $side, Practitioner $practitioner, ?Assessment $assessment, array $tests): array
    {
        $signs = [];
        foreach ($tests as $taken) {
            if (null !== $assessment && $taken->assessment === $assessment && $taken->side === $side && $taken->kind !== $test->id) {
                $signs[] = StopSign::of($taken->pain());
            }
        }

        return Permission::of([...$this->conditions($practitioner, $assessment), ...$this->catalogue->named($signs)], $test->loads, true)->because;
    }
}
