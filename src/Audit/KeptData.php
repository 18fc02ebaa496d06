<?php

declare(strict_types=1);

namespace LucidAscent\App\Audit;

use LucidAscent\App\Entity as Kept;

/** What is kept of a person, by what it is kept for: each kind of record stands under one purpose. */
final class KeptData
{
    /** @var array<string, list<class-string>> kinds of records by purpose */
    public const PURPOSES = [
        'person' => [Kept\Practitioner::class, Kept\Consent::class],
        'body' => [Kept\BodyMeasures::class, Kept\LabSetup::class],
        'tests' => [Kept\Test::class, Kept\Trial::class, Kept\Assessment::class, Kept\AssessmentEnd::class,
            Kept\AssessmentOutcome::class, Kept\SeenRung::class],
        'health' => [Kept\PainSaid::class, Kept\Clearance::class, Kept\Mistake::class],
        'practice' => [Kept\PracticePlan::class, Kept\SessionLog::class, Kept\RungCheck::class, Kept\Decision::class,
            Kept\FeltInRung::class, Kept\OtherLoad::class, Kept\WaysCompared::class, Kept\WayTried::class,
            Kept\ClassMember::class, Kept\Draft::class],
        'pictures' => [Kept\StoredPicture::class],
        'messages' => [Kept\PractitionerNote::class, Kept\QuestionAsked::class, Kept\AnswerGiven::class,
            Kept\FromPractitioner::class, Kept\SeenByTeacher::class],
        'doors' => [Kept\AccessKey::class, Kept\AccessKeyEnd::class, Kept\AccessDevice::class, Kept\PinTry::class,
            Kept\Sharing::class, Kept\SharingEnd::class, Kept\HandedOver::class,
            Kept\HomeTestsAllowed::class, Kept\PlanFeed::class, Kept\PlanFeedEnd::class],
    ];
    /** Of no person in particular: how teachers sign in, what they set, and what everybody did. */
    public const OTHERS = [
        Kept\Teacher::class,
        Kept\Studio::class,
        Kept\MemberRole::class,
        Kept\Invitation::class,
        Kept\InvitationEnd::class,
        Kept\PasswordChange::class,
        Kept\SecondFactor::class,
        Kept\SecondFactorEnd::class,
        Kept\SecondFactorUse::class,
        Kept\Passkey::class,
        Kept\PasskeyEnd::class,
        Kept\SignInAttempt::class,
        Kept\SignedIn::class,
        Kept\SignedInEnd::class,
        Kept\SentForm::class,
        Kept\ToolSettings::class,
        Kept\StudioClass::class,
        Kept\OwnEntry::class,
        Kept\OwnPicture::class,
    ];

    /** So long after the last word of somebody they are named for erasure; nobody is erased by itself. */
    public const MONTHS_AWAY = 24;
}
