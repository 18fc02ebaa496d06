<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\AssessmentOutcome;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\OtherLoad;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Json\AllowanceFields;
use LucidAscent\App\Person\PersonHistory;
use LucidAscent\App\Plan\StoredPlans;
use LucidAscent\App\Repository\KeptProgress;
use LucidAscent\Core\Body\Check;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\LegChain\Sitting;
use LucidAscent\Core\Posture\PropRule;
use LucidAscent\Core\Testing\TrialCheck;

/** What a form refuses, a file does not bring in either: by the same rules. */
final readonly class RecordChecks
{
    public function __construct(private Catalogue $catalogue, private StoredPlans $plans)
    {
    }

    /** @throws InvalidValue when it says what nothing that is recorded here can say */
    public function check(object $record): void
    {
        match (true) {
            $record instanceof BodyMeasures => $record->proportions(),
            $record instanceof Test => $this->test($record),
            $record instanceof RungCheck => $this->propHeight($record),
            $record instanceof Clearance => AllowanceFields::kept($record->allowance, $record->allows),
            $record instanceof OtherLoad => $record->elsewhere(),
            $record instanceof SeenRung => self::heights($record->heights),
            $record instanceof AssessmentOutcome => null === $record->progress
                ? null
                : KeptProgress::check($record->progress),
            $record instanceof PracticePlan => $this->plans->check($record),
            default => null,
        };
    }

    /** @throws InvalidValue */
    private function test(Test $test): void
    {
        new Sitting($test->seat);
        $taken = PersonHistory::taken($test);
        if (null !== $taken) {
            TrialCheck::of($this->catalogue->tests()[$test->kind] ?? null, $taken);
        }
    }

    /**
     * @param array<string, float> $heights in cm, by joint
     *
     * @throws InvalidValue
     */
    private static function heights(array $heights): void
    {
        foreach ($heights as $joint => $height) {
            Check::within($joint, $height, 0.0, PropRule::MOST_OF_JOINT, 'cm');
        }
    }

    /** @throws InvalidValue */
    private function propHeight(RungCheck $check): void
    {
        // Of a rung that is not known here: as for the longest strap.
        $prop = $this->catalogue->rung($check->ladder, $check->rung)->prop ?? PropRule::FootStrap;
        Check::within('propHeight', $check->propHeight ?? 0.0, 0.0, $prop->most(), 'cm');
    }
}
