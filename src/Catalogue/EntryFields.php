<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

use LucidAscent\Core\Caution\Load;
use LucidAscent\Core\LegChain\Ability;
use LucidAscent\Core\LegChain\Contact\About;
use LucidAscent\Core\Plan\PracticeLevel;
use LucidAscent\Core\Plan\Remedy;
use LucidAscent\Core\Plan\Stance;
use LucidAscent\Core\Testing\Formula;

/** Which parts of a posture, a rung, a drill and a test a teacher writes, in the order of the form. */
final class EntryFields
{
    private const FAMILIES = [
        'sitting-folded',
        'cross-legged',
        'kneeling',
        'kneeling-fold',
        'leg-behind',
        'forward-fold',
        'lunge',
        'standing',
        'squat',
        'arm-balance',
        'twist',
        'backbend',
        'lying',
    ];

    public const PURPOSES = [
        'back-of-hip',
        'front-of-hip',
        'inner-thigh',
        'turn-in',
        'knee',
        'sitting',
        'bind',
        'show',
        'back-of-leg',
        'spine',
        'shoulders',
        'balance',
        'strength',
        'rest',
    ];
    private const PLACES = [
        'outer-seat',
        'deep-crease',
        'inner-thigh-bone',
        'inner-thigh-knee',
        'thigh-front',
        'thigh-back',
        'sitting-bone',
        'outer-thigh',
        'calf',
        'low-back',
        'upper-back',
        'side-body',
        'chest',
        'shoulder',
        'abdomen',
        'arms',
        'wrist',
        'neck',
        'knee',
        'ankle',
        'standing-leg',
        'nothing',
    ];

    /** @return list<Field> */
    public static function of(Kind $kind): array
    {
        return match ($kind) {
            Kind::Test => self::test(),
            Kind::Drill => self::drill(),
            default => self::posture(),
        };
    }

    /** @return list<Field> */
    public static function rung(): array
    {
        return [
            new Field('name', 'common.name', FieldKind::Line),
            new Field('id', 'field.id', FieldKind::Line, 'field.rung.id.help'),
            new Field('gentle', 'field.gentle', FieldKind::Flag),
            new Field(
                'stance',
                'field.practised',
                FieldKind::Choice,
                'field.practised.help',
                self::stances(),
                true,
            ),
            new Field('position', 'rung.position', FieldKind::Lines, 'field.steps.help'),
            new Field('side', 'rung.sides', FieldKind::Line, 'field.side.help'),
            new Field(
                'props',
                'field.props',
                FieldKind::Props,
                'field.props.help',
                [],
                true,
            ),
            new Field(
                'demand',
                'common.needs',
                FieldKind::Demand,
                'field.angles.help',
            ),
            new Field(
                'hold',
                'common.hold',
                FieldKind::Range,
                'field.hold.help',
            ),
            new Field(
                'cues',
                'field.cues',
                FieldKind::Lines,
                'field.cues.help',
                [],
                true,
            ),
            new Field('felt', 'field.felt', FieldKind::Choices, '', self::PLACES, true),
            new Field(
                'fault/so',
                'rung.right',
                FieldKind::Line,
                'field.fault.help',
                [],
                true,
            ),
            new Field('fault/not_so', 'rung.wrong', FieldKind::Line, '', [], true),
            new Field(
                'view',
                'field.view',
                FieldKind::Choice,
                '',
                ['above', 'front', 'back', 'side', 'three-quarter'],
                true,
            ),
            new Field(
                'drills',
                'nav.drills',
                FieldKind::Lines,
                'field.drills.help',
                [],
                true,
            ),
            new Field('schools/long-still', 'field.still', FieldKind::Line),
            new Field('schools/working-muscle', 'field.working', FieldKind::Line),
            new Field('schools/counted-breath', 'field.breath', FieldKind::Line),
            new Field(
                'compensations',
                'common.compensations',
                FieldKind::Compensations,
                'field.compensations.help',
            ),
            new Field('check', 'rung.ready', FieldKind::Lines, 'field.lines.help'),
            new Field('stop', 'common.stop_if', FieldKind::Lines, 'field.stop.help'),
            new Field(
                'knee_safe/rung',
                'field.knee_safe',
                FieldKind::Line,
                'field.rung.help',
                [],
                true,
            ),
            new Field('knee_safe/how', 'field.knee_safe.how', FieldKind::Line, '', [], true),
            new Field('lying/rung', 'field.lying', FieldKind::Line, 'field.rung.help', [], true),
            new Field('lying/how', 'field.lying.how', FieldKind::Line, '', [], true),
            new Field('counter', 'field.counter', FieldKind::Lines, 'field.ids.help'),
            new Field('ways_in', 'field.ways_in', FieldKind::Lines, 'field.lines.help', [], true),
            new Field('way_out', 'rung.out', FieldKind::Line),
            new Field(
                'loads',
                'field.loads',
                FieldKind::Choices,
                'field.loads.help',
                array_column(Load::cases(), 'value'),
            ),
        ];
    }

    /** @return list<string> */
    private static function stances(): array
    {
        return array_column(Stance::cases(), 'value');
    }

    /** @return list<Field> */
    private static function posture(): array
    {
        $fields = [
            new Field('name', 'common.name', FieldKind::Line),
            new Field('id', 'field.id', FieldKind::Line, 'field.entry.id.help'),
            new Field('sanskrit', 'field.sanskrit', FieldKind::Lines, 'field.lines.help', [], true),
            new Field('family', 'library.family', FieldKind::Choice, '', self::FAMILIES),
            new Field(
                'stance',
                'field.practised',
                FieldKind::Choice,
                'field.stance.help',
                self::stances(),
                true,
            ),
            new Field('target', 'field.wanted', FieldKind::Flag),
            new Field('components', 'common.needs', FieldKind::Choices, '', self::components()),
            new Field('summary', 'field.summary', FieldKind::Line),
            new Field(
                'also',
                'field.also',
                FieldKind::Lines,
                'field.also.help',
                [],
                true,
            ),
            new Field('level', 'library.level', FieldKind::Choice, '', PracticeLevel::names(), true),
            new Field('purposes', 'library.purpose', FieldKind::Choices, '', self::PURPOSES, true),
            new Field('remedies', 'remedy.helps', FieldKind::Choices, '', Remedy::names(), true),
            new Field('sides', 'rung.sides', FieldKind::Choice, '', ['turns', 'leads', 'both'], true),
        ];
        foreach (
            [
                'needs' => 'related.needs',
                'prepares' => 'related.prepares',
                'counters' => 'related.counters',
                'gentler_than' => 'related.gentler',
                'same_action_as' => 'related.same',
            ] as $relation => $label
        ) {
            $fields[] = new Field(
                "relations/$relation",
                $label,
                FieldKind::Pairs,
                'field.related.help',
                [],
                true,
            );
        }

        return $fields;
    }

    /** @return list<Field> */
    private static function drill(): array
    {
        return [
            new Field('name', 'common.name', FieldKind::Line),
            new Field('id', 'field.id', FieldKind::Line, 'field.entry.id.help'),
            new Field(
                'repetitions',
                'field.repetitions',
                FieldKind::Range,
                'field.repetitions.help',
            ),
            new Field('side', 'rung.sides', FieldKind::Choice, '', ['each', 'alternate', 'both']),
            new Field('remedies', 'remedy.helps', FieldKind::Choices, '', Remedy::names()),
            new Field('uses', 'drills.position', FieldKind::Line, 'field.drill.rung.help'),
            new Field('how', 'schools.how', FieldKind::Lines, 'field.steps.help'),
            new Field(
                'cues',
                'field.cues',
                FieldKind::Lines,
                'field.cues.help',
            ),
        ];
    }

    /** @return list<Field> */
    private static function test(): array
    {
        return [
            new Field('name', 'common.name', FieldKind::Line),
            new Field('id', 'field.id', FieldKind::Line, 'field.entry.id.help'),
            new Field('order', 'field.order', FieldKind::Number),
            new Field('components', 'field.components', FieldKind::Choices, '', self::components()),
            new Field('both_sides', 'field.both_sides', FieldKind::Flag),
            new Field('minutes', 'field.takes', FieldKind::Quantity, 'field.minutes.help'),
            new Field('tool', 'field.tool', FieldKind::Line),
            new Field('trials/least', 'field.trials.least', FieldKind::Number),
            new Field('trials/most', 'field.trials.most', FieldKind::Number),
            new Field('position', 'rung.position', FieldKind::Lines, 'field.steps.help'),
            new Field('landmarks', 'tests.landmarks', FieldKind::Lines, 'field.lines.help'),
            new Field(
                'measured',
                'tests.measured',
                FieldKind::Measured,
                'field.measured.help',
            ),
            new Field('formula', 'field.formula', FieldKind::Choice, '', self::formulas()),
            new Field(
                'compensations',
                'common.compensations',
                FieldKind::Compensations,
                'field.compensations.help',
            ),
            new Field('stop', 'common.stop_if', FieldKind::Lines, 'field.stop.help'),
            new Field('gentler', 'tests.gentler', FieldKind::Line),
        ];
    }

    /** @return list<string> */
    private static function components(): array
    {
        return array_column(Ability::cases(), 'value');
    }

    /** @return list<string> */
    private static function formulas(): array
    {
        $read = array_filter(ContactList::all(), static fn (About $about): bool => null !== $about->test);

        return [...array_keys($read), ...Formula::PLAIN];
    }
}
