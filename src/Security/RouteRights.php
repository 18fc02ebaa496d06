<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

/** What each route asks of whoever opens it. One that is not here is open to nobody. */
final class RouteRights
{
    private const PUBLIC = [
        'sign_in', 'join', 'feed', 'own', 'own_week', 'own_session', 'own_hurts', 'own_after', 'own_elsewhere',
        'own_log', 'own_measure', 'own_words', 'own_ask', 'own_question_picture', 'own_picture_mark',
        'own_picture_read', 'own_picture_send', 'own_who', 'own_sharing_end', 'own_consent', 'own_token',
        'own_worker', 'own_shell', 'own_open', 'own_pin', 'own_shut', 'own_language', 'health_live', 'health_ready',
        'metrics',
    ];
    private const MEMBER = [
        'sign_out', 'account', 'browser_end', 'password_again', 'second_factor', 'on_the_mat', 'search', 'guide',
        'guide_words', 'guide_keys', 'guide_page', 'library', 'library_posture', 'library_test', 'library_tests',
        'library_drills', 'library_schools', 'library_cautions', 'own_picture', 'recording_sheets',
    ];
    private const SEE = [
        'practitioner', 'pose', 'route', 'why', 'ladder', 'plan', 'plan_newest', 'plan_item', 'progress', 'compare',
    ];
    private const WORDS = ['journal', 'report', 'plan_print'];
    private const MEASURE = [
        'assessment', 'assessment_end', 'body', 'bench', 'bench_preview', 'picture', 'picture_keep', 'rung_picture',
        'rung_picture_read', 'rung_picture_keep', 'landmarks', 'inclinometer_live', 'screen', 'screen_done',
        'screen_person', 'session', 'session_log', 'session_token', 'waiting_logs', 'draft', 'elsewhere',
        'day_after',
    ];
    private const TEACH = [
        'practitioner_new', 'assessment_new', 'bench_correct', 'guide_try', 'lab', 'lab_answer', 'lab_keep',
        'what_worked', 'clearance', 'mistake', 'referral', 'referral_note', 'check', 'decision', 'walk', 'ways',
        'way_tried', 'ways_stop', 'plan_new', 'plan_change', 'plan_undo', 'plan_again', 'home_sheet',
        'plan_calendar', 'feed_change', 'hand_over', 'record', 'table_read', 'record_read', 'own_key', 'came_in',
        'questions', 'sharing', 'sharing_end', 'consent', 'consent_again', 'who_saw', 'audit', 'personal_data',
        'personal_data_file', 'instruments', 'own_entries', 'own_new', 'own_edit', 'own_export', 'own_picture_keep',
        'classes', 'class_new', 'class_edit', 'class_sheet', 'class_teach', 'class_after', 'class_remove',
        'class_undo', 'class_course_new', 'class_course',
    ];
    private const RUN = ['studio', 'studio_member', 'studio_invitation_end', 'studio_hand_over'];

    public static function of(string $route): ?Right
    {
        return match (true) {
            in_array($route, self::PUBLIC, true) => Right::Public,
            in_array($route, self::MEMBER, true) => Right::Member,
            in_array($route, self::SEE, true) => Right::See,
            in_array($route, self::WORDS, true) => Right::Words,
            in_array($route, self::MEASURE, true) => Right::Measure,
            in_array($route, self::TEACH, true) => Right::Teach,
            in_array($route, self::RUN, true) => Right::Run,
            default => null,
        };
    }

    /** Whether it is about nobody but who asks: what an owner may open who has to prove twice and does not yet. */
    public static function isOfAccount(string $route): bool
    {
        return in_array($route, ['sign_out', 'account', 'password_again', 'second_factor'], true);
    }
}
