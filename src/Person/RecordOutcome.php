<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentOutcome;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Readiness\ReadPoses;
use LucidAscent\Core\Readiness\Rules;

/**
 * What an assessment came to when it ended: the states of the wanted poses, the rates of that day, and what was
 * foretold.
 */
final readonly class RecordOutcome
{
    public function __construct(private PersonProgress $progress)
    {
    }

    /** @param ReadPoses|null $poses as they were read at that moment; null while nobody has measured the body */
    public function of(Assessment $assessment, ?ReadPoses $poses, \DateTimeImmutable $at): AssessmentOutcome
    {
        return new AssessmentOutcome(
            $assessment->id,
            $assessment->practitioner,
            $at,
            Rules::VERSION,
            self::states($poses, $assessment->wanted),
            null === $poses ? null : $this->progress->toKeep($assessment->practitioner, $poses, $at),
        );
    }

    /**
     * @param list<string> $wanted
     *
     * @return array<string, array<string, string>> by pose and side
     */
    private static function states(?ReadPoses $poses, array $wanted): array
    {
        $states = [];
        if (null === $poses) {
            return $states;
        }
        foreach ($wanted as $id) {
            foreach (isset($poses->postures[$id]) ? Side::cases() : [] as $side) {
                $states[$id][$side->value] = $poses->of($id, $side)->state()->value;
            }
        }

        return $states;
    }
}
