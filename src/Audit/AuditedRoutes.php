<?php

declare(strict_types=1);

namespace LucidAscent\App\Audit;

/** What it is to ask for a page, and to send something to it. A route that is not here is a fault. */
final class AuditedRoutes
{
    /** @var array<string, array{Place, Action|null, Action|null}> the place, what a page is, and what sending is */
    private const OF = [
        'on_the_mat' => [Place::List, Action::Read, null],
        'search' => [Place::List, Action::Read, null],
        'screen' => [Place::List, Action::Read, null],
        'screen_done' => [Place::List, Action::Read, null],
        'screen_person' => [Place::Tests, Action::Read, Action::Write],
        'practitioner_new' => [Place::Record, null, Action::Write],
        'practitioner' => [Place::Readiness, Action::Read, null],
        'pose' => [Place::Readiness, Action::Read, null],
        'route' => [Place::Readiness, Action::Read, null],
        'why' => [Place::Readiness, Action::Read, null],
        'lab' => [Place::Readiness, Action::Read, null],
        'lab_keep' => [Place::Readiness, null, Action::Write],
        'what_worked' => [Place::Progress, Action::Read, null],
        'body' => [Place::Body, Action::Read, Action::Write],
        'assessment_new' => [Place::Health, Action::Read, Action::Write],
        'assessment' => [Place::Health, Action::Read, null],
        'assessment_end' => [Place::Health, null, Action::Write],
        'clearance' => [Place::Health, Action::Read, Action::Clear],
        'mistake' => [Place::Health, null, Action::Clear],
        'day_after' => [Place::Health, Action::Read, Action::Write],
        'referral_note' => [Place::Health, Action::Print, null],
        'referral' => [Place::Health, Action::Print, null],
        'bench' => [Place::Tests, Action::Read, Action::Write],
        'bench_correct' => [Place::Tests, Action::Read, Action::Write],
        'picture_keep' => [Place::Pictures, null, Action::Write],
        'picture' => [Place::Pictures, Action::Read, null],
        'rung_picture' => [Place::Pictures, Action::Read, null],
        'rung_picture_keep' => [Place::Pictures, null, Action::Write],
        'ladder' => [Place::Ladder, Action::Read, null],
        'check' => [Place::Ladder, Action::Read, Action::Write],
        'decision' => [Place::Ladder, Action::Read, Action::Write],
        'walk' => [Place::Ladder, Action::Read, Action::Write],
        'ways' => [Place::Ladder, Action::Read, Action::Write],
        'way_tried' => [Place::Ladder, Action::Read, Action::Write],
        'ways_stop' => [Place::Ladder, null, Action::Write],
        'plan_new' => [Place::Plan, Action::Read, Action::Write],
        'plan_newest' => [Place::Plan, Action::Read, null],
        'plan' => [Place::Plan, Action::Read, null],
        'plan_item' => [Place::Plan, Action::Read, null],
        'plan_print' => [Place::Plan, Action::Print, null],
        'plan_change' => [Place::Plan, null, Action::Write],
        'plan_undo' => [Place::Plan, null, Action::Write],
        'plan_again' => [Place::Plan, null, Action::Write],
        'home_sheet' => [Place::Plan, Action::Print, null],
        'plan_calendar' => [Place::Calendar, Action::Export, null],
        'feed_change' => [Place::Calendar, null, Action::Share],
        'feed' => [Place::Calendar, Action::Export, null],
        'session' => [Place::Session, Action::Read, null],
        'session_log' => [Place::Session, null, Action::Write],
        'elsewhere' => [Place::Session, Action::Read, Action::Write],
        'progress' => [Place::Progress, Action::Read, null],
        'compare' => [Place::Progress, Action::Read, null],
        'report' => [Place::Record, Action::Print, null],
        'journal' => [Place::History, Action::Read, null],
        'hand_over' => [Place::Record, Action::Read, null],
        'record' => [Place::Record, Action::Export, null],
        'table_read' => [Place::Record, Action::Read, Action::Write],
        'record_read' => [Place::Record, null, Action::Write],
        'own_key' => [Place::OwnPage, Action::Read, Action::Share],
        'came_in' => [Place::Messages, Action::Read, Action::Write],
        'questions' => [Place::Messages, Action::Read, Action::Write],
        'classes' => [Place::Classes, null, null],
        'class_new' => [Place::Classes, null, Action::Write],
        'class_edit' => [Place::Classes, Action::Read, Action::Write],
        'class_sheet' => [Place::Classes, Action::Read, null],
        'class_teach' => [Place::Classes, Action::Read, null],
        'class_after' => [Place::Classes, Action::Read, Action::Write],
        'class_remove' => [Place::Classes, null, Action::Write],
        'class_undo' => [Place::Classes, null, Action::Write],
        'class_course_new' => [Place::Classes, Action::Read, Action::Write],
        'class_course' => [Place::Classes, Action::Read, null],
        'own' => [Place::OwnPage, Action::Read, null],
        'own_week' => [Place::OwnPage, Action::Read, null],
        'own_session' => [Place::OwnPage, Action::Read, null],
        'own_hurts' => [Place::Health, null, Action::Write],
        'own_after' => [Place::Health, null, Action::Write],
        'own_elsewhere' => [Place::Session, null, Action::Write],
        'own_log' => [Place::Session, null, Action::Write],
        'own_measure' => [Place::Tests, Action::Read, Action::Write],
        'own_words' => [Place::Messages, null, Action::Write],
        'own_ask' => [Place::Messages, Action::Read, Action::Write],
        'own_question_picture' => [Place::Pictures, Action::Read, null],
        'own_picture_mark' => [Place::Pictures, Action::Read, null],
        'own_picture_send' => [Place::Pictures, null, Action::Write],
        'consent' => [Place::Record, null, Action::Write],
        'consent_again' => [Place::Record, null, Action::Write],
        'own_consent' => [Place::Record, null, Action::Write],
        'own_sharing_end' => [Place::Record, null, Action::Share],
        'own_who' => [Place::Audit, Action::Read, null],
        'sharing' => [Place::Record, Action::Read, Action::Share],
        'sharing_end' => [Place::Record, null, Action::Share],
        'studio' => [Place::Studio, Action::Read, Action::Write],
        'studio_member' => [Place::Studio, null, Action::Write],
        'studio_invitation_end' => [Place::Studio, null, Action::Write],
        'studio_hand_over' => [Place::Record, null, Action::Share],
        'join' => [Place::Account, null, Action::SignIn],
        'who_saw' => [Place::Audit, Action::Read, null],
        'audit' => [Place::Audit, Action::Read, null],
        'personal_data' => [Place::List, Action::Read, null],
        'sign_in' => [Place::Account, null, Action::SignIn],
        'sign_out' => [Place::Account, null, Action::SignOut],
        'account' => [Place::Account, null, Action::Write],
        'browser_end' => [Place::Account, null, Action::Write],
        'password_again' => [Place::Account, null, null],
        'second_factor' => [Place::Account, null, Action::Write],
    ];

    /** What shows and keeps nothing of anybody, or is sent again by the page that comes after it. */
    private const NOTHING = [
        'personal_data_file', 'guide', 'guide_words', 'guide_keys', 'guide_page', 'guide_try', 'library',
        'library_posture', 'library_test', 'library_tests', 'library_drills', 'library_schools', 'library_cautions',
        'own_entries', 'own_new', 'own_edit', 'own_export', 'own_picture_keep', 'own_picture', 'instruments',
        'inclinometer_live', 'landmarks', 'bench_preview', 'lab_answer', 'rung_picture_read', 'own_picture_read',
        'draft', 'recording_sheets', 'waiting_logs', 'session_token', 'own_token', 'own_worker', 'own_shell',
        'own_open', 'own_pin', 'own_shut', 'own_language', 'health_live', 'health_ready', 'metrics',
    ];

    public static function knows(string $route): bool
    {
        return isset(self::OF[$route]) || in_array($route, self::NOTHING, true);
    }

    /** @return array{Place, Action}|null null where nothing of anybody is shown or kept */
    public static function of(string $route, bool $isSent): ?array
    {
        [$place, $read, $write] = self::OF[$route] ?? [Place::List, null, null];
        $action = $isSent ? $write : $read;

        return null === $action ? null : [$place, $action];
    }
}
