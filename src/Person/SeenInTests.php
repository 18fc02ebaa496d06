<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\Core\Practice\Seen;
use LucidAscent\Core\Readiness\ShownByTest;
use LucidAscent\Core\Testing\TakenTest;

/** The rungs whose position a clean test has shown. */
final readonly class SeenInTests
{
    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * @param list<TakenTest> $taken
     *
     * @return list<Seen>
     */
    public function of(array $taken): array
    {
        $seen = [];
        foreach ($taken as $test) {
            $definition = $this->catalogue->tests()[$test->test] ?? null;
            $posture = $this->catalogue->postures()[$definition->posture ?? ''] ?? null;
            if (null !== $definition && null !== $posture) {
                array_push($seen, ...ShownByTest::rungs($definition, $test, $posture));
            }
        }

        return $seen;
    }
}
