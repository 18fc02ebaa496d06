<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

use LucidAscent\App\Entity\AnswerGiven;
use LucidAscent\App\Entity\Assessment;
use LucidAscent\App\Entity\AssessmentEnd;
use LucidAscent\App\Entity\AssessmentOutcome;
use LucidAscent\App\Entity\BodyMeasures;
use LucidAscent\App\Entity\Clearance;
use LucidAscent\App\Entity\Decision;
use LucidAscent\App\Entity\FeltInRung;
use LucidAscent\App\Entity\FromPractitioner;
use LucidAscent\App\Entity\HomeTestsAllowed;
use LucidAscent\App\Entity\LabSetup;
use LucidAscent\App\Entity\Mistake;
use LucidAscent\App\Entity\OtherLoad;
use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\QuestionAsked;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SeenRung;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Entity\StoredPicture;
use LucidAscent\App\Entity\Test;
use LucidAscent\App\Entity\WaysCompared;
use LucidAscent\App\Entity\WayTried;

/**
 * What a person's whole record is made of: everything that was written down about the person but what was never
 * recorded (drafts) and what is a secret (addresses of calendars and own pages).
 */
final class RecordKinds
{
    public const FORMAT = 'ascent-record';
    public const VERSION = 1;

    /** By their name in a record, each after what it leads to. */
    public const CLASSES = [
        'bodies' => BodyMeasures::class,
        'assessments' => Assessment::class,
        'assessmentEnds' => AssessmentEnd::class,
        'tests' => Test::class,
        'seen' => SeenRung::class,
        'pains' => PainSaid::class,
        'felt' => FeltInRung::class,
        'elsewhere' => OtherLoad::class,
        'ways' => WaysCompared::class,
        'waysTried' => WayTried::class,
        'checks' => RungCheck::class,
        'decisions' => Decision::class,
        'clearances' => Clearance::class,
        'mistakes' => Mistake::class,
        'plans' => PracticePlan::class,
        'logs' => SessionLog::class,
        'readings' => AssessmentOutcome::class,
        'setUps' => LabSetup::class,
        'pictures' => StoredPicture::class,
        'allowed' => HomeTestsAllowed::class,
        'ownWords' => PractitionerNote::class,
        'questions' => QuestionAsked::class,
        'answers' => AnswerGiven::class,
        'fromPractitioner' => FromPractitioner::class,
    ];

    /** What else stands in a record. */
    public const HEAD = ['$schema', 'format', 'version', 'exportedAt', 'heldBy', 'person', 'writtenBy'];
}
