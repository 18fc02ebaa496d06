<?php

declare(strict_types=1);

namespace LucidAscent\App\Bench;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Body\Proportions;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Testing\Capacities;
use LucidAscent\Core\Testing\Evidence;
use LucidAscent\Core\Testing\ReadTest;
use LucidAscent\Core\Testing\UnreadableTest;

/** What is known of a person, out of the records. */
final readonly class PersonCapacity
{
    public function __construct(private Records $records, private Catalogue $catalogue)
    {
    }

    /**
     * @param list<Test>|null $tests those to rest on; all of the person's when nothing else is said
     *
     * @return array{left: Capacities, right: Capacities}
     */
    public function of(Practitioner $practitioner, Proportions $proportions, ?array $tests = null): array
    {
        $definitions = $this->catalogue->tests();
        $errors = $this->records->toolErrors($practitioner->teacher);
        $evidence = ['left' => [], 'right' => []];
        foreach ($tests ?? $this->records->tests($practitioner) as $test) {
            $definition = $definitions[$test->kind] ?? null;
            $taken = null === $definition ? null : $test->taken();
            if (null === $definition || null === $taken) {
                continue;
            }
            try {
                array_push($evidence[$test->side->value], ...ReadTest::evidence($definition, $taken, $proportions->body($test->side), $errors));
            } catch (UnreadableTest) {
                // Watched, or of a body that was measured anew since: it shows nothing.
            }
        }

        return ['left' => self::side($evidence['left'], $proportions, Side::Left), 'right' => self::side($evidence['right'], $proportions, Side::Right)];
    }

    /** @param list<Evidence> $evidence */
    private static function side(array $evidence, Proportions $proportions, Side $side): Capacities
    {
        return Capacities::of($evidence, $proportions->error($side));
    }
}
