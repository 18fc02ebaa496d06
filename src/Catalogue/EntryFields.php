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
            new Field('name', 'Name', FieldKind::Line),
            new Field('id', 'Id', FieldKind::Line, 'Lower case, with hyphens; it stays when the name changes.'),
            new Field('gentle', 'A gentle rung', FieldKind::Flag),
            new Field(
                'stance',
                'Practised',
                FieldKind::Choice,
                'Where it is not as the posture.',
                self::stances(),
                true,
            ),
            new Field('position', 'Position', FieldKind::Lines, 'One step a line.'),
            new Field('side', 'Sides', FieldKind::Line, 'Which side first, and how often.'),
            new Field(
                'props',
                'Props',
                FieldKind::Props,
                'What | how its height is found | takes 2 block, one a line. What it takes (block, blanket, strap, bolster, cushion, wall, chair, bed-edge) decides who has it at home.',
                [],
                true,
            ),
            new Field(
                'demand',
                'Asks for',
                FieldKind::Demand,
                'Such as "rotation 90 degrees", one a line; or a leg position: '
                    .'"leg half-lotus: kneeHeight 12, seat 0".',
            ),
            new Field(
                'hold',
                'Hold',
                FieldKind::Range,
                'Least and most, such as "5 to 10 breaths" or "2 to 5 minutes".',
            ),
            new Field(
                'cues',
                'Cues',
                FieldKind::Lines,
                'Two to four, one a line, of twelve words at most: they are read aloud.',
                [],
                true,
            ),
            new Field('felt', 'Where it should be felt', FieldKind::Choices, '', self::PLACES, true),
            new Field(
                'fault/so',
                'So',
                FieldKind::Line,
                'The fault that is made most often, as a pair.',
                [],
                true,
            ),
            new Field('fault/not_so', 'Not so', FieldKind::Line, '', [], true),
            new Field(
                'view',
                'Best seen from',
                FieldKind::Choice,
                '',
                ['above', 'front', 'back', 'side', 'three-quarter'],
                true,
            ),
            new Field(
                'drills',
                'Drills',
                FieldKind::Lines,
                'Ids of drills that belong to it, one a line.',
                [],
                true,
            ),
            new Field('schools/long-still', 'Long and still', FieldKind::Line),
            new Field('schools/working-muscle', 'Working muscle', FieldKind::Line),
            new Field('schools/counted-breath', 'Counted breath', FieldKind::Line),
            new Field(
                'compensations',
                'Compensations',
                FieldKind::Compensations,
                'What goes wrong | how to see it, one a line.',
            ),
            new Field('check', 'Ready to leave when', FieldKind::Lines, 'One a line.'),
            new Field('stop', 'Stop at', FieldKind::Lines, 'One stop sign a line.'),
            new Field(
                'knee_safe/rung',
                'Knee-safe form',
                FieldKind::Line,
                'A rung, such as figure-four/strap.',
                [],
                true,
            ),
            new Field('knee_safe/how', 'Knee-safe form, in a word', FieldKind::Line, '', [], true),
            new Field('lying/rung', 'Lying form', FieldKind::Line, 'A rung, such as figure-four/lying.', [], true),
            new Field('lying/how', 'Lying form, in a word', FieldKind::Line, '', [], true),
            new Field('counter', 'Counterpostures', FieldKind::Lines, 'Ids of postures, one a line.'),
            new Field('ways_in', 'Ways in', FieldKind::Lines, 'One a line.', [], true),
            new Field('way_out', 'The way out', FieldKind::Line),
            new Field(
                'loads',
                'Loads',
                FieldKind::Choices,
                'What it puts under strain; cautions hold by these.',
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
            new Field('name', 'Name', FieldKind::Line),
            new Field('id', 'Id', FieldKind::Line, 'Lower case, with hyphens; not that of a shipped entry.'),
            new Field('sanskrit', 'Traditional names', FieldKind::Lines, 'One a line.', [], true),
            new Field('family', 'Family', FieldKind::Choice, '', self::FAMILIES),
            new Field(
                'stance',
                'Practised',
                FieldKind::Choice,
                'A session goes from lying to seated to what bears weight.',
                self::stances(),
                true,
            ),
            new Field('target', 'A pose that somebody may want for itself', FieldKind::Flag),
            new Field('components', 'Asks for', FieldKind::Choices, '', self::components()),
            new Field('summary', 'In a sentence', FieldKind::Line),
            new Field(
                'also',
                'Also called',
                FieldKind::Lines,
                'One a line; the search finds all of them.',
                [],
                true,
            ),
            new Field('level', 'For whom', FieldKind::Choice, '', PracticeLevel::names(), true),
            new Field('purposes', 'What for', FieldKind::Choices, '', self::PURPOSES, true),
            new Field('remedies', 'Helps where this is short', FieldKind::Choices, '', Remedy::names(), true),
            new Field('sides', 'Sides', FieldKind::Choice, '', ['turns', 'leads', 'both'], true),
        ];
        foreach (
            [
                'needs' => 'Needs',
                'prepares' => 'Prepares',
                'counters' => 'Counters',
                'gentler_than' => 'Gentler than',
                'same_action_as' => 'Same action as',
            ] as $relation => $label
        ) {
            $fields[] = new Field(
                "relations/$relation",
                $label,
                FieldKind::Pairs,
                'Posture: why, one a line.',
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
            new Field('name', 'Name', FieldKind::Line),
            new Field('id', 'Id', FieldKind::Line, 'Lower case, with hyphens; not that of a shipped entry.'),
            new Field(
                'repetitions',
                'Repetitions',
                FieldKind::Range,
                'Least and most, such as "5 to 8 repetitions".',
            ),
            new Field('side', 'Sides', FieldKind::Choice, '', ['each', 'alternate', 'both']),
            new Field('remedies', 'Helps where this is short', FieldKind::Choices, '', Remedy::names()),
            new Field('uses', 'In the position of', FieldKind::Line, 'A rung, such as pinwheel/hands.'),
            new Field('how', 'How', FieldKind::Lines, 'One step a line.'),
            new Field(
                'cues',
                'Cues',
                FieldKind::Lines,
                'Two to four, one a line, of twelve words at most: they are read aloud.',
            ),
        ];
    }

    /** @return list<Field> */
    private static function test(): array
    {
        return [
            new Field('name', 'Name', FieldKind::Line),
            new Field('id', 'Id', FieldKind::Line, 'Lower case, with hyphens; not that of a shipped entry.'),
            new Field('order', 'Place in the taught order', FieldKind::Number),
            new Field('components', 'Feeds', FieldKind::Choices, '', self::components()),
            new Field('both_sides', 'Left and right apart', FieldKind::Flag),
            new Field('minutes', 'Takes', FieldKind::Quantity, 'Such as "2 minutes".'),
            new Field('tool', 'Tool', FieldKind::Line),
            new Field('trials/least', 'Trials, at least', FieldKind::Number),
            new Field('trials/most', 'Trials, at most', FieldKind::Number),
            new Field('position', 'Position', FieldKind::Lines, 'One step a line.'),
            new Field('landmarks', 'Landmarks', FieldKind::Lines, 'One a line.'),
            new Field(
                'measured',
                'Measured',
                FieldKind::Measured,
                'Name | label | unit, one a line; units are cm, degrees, seconds, yes or no.',
            ),
            new Field('formula', 'Read by', FieldKind::Choice, '', self::formulas()),
            new Field(
                'compensations',
                'Compensations',
                FieldKind::Compensations,
                'What goes wrong | how to see it, one a line.',
            ),
            new Field('stop', 'Stop at', FieldKind::Lines, 'One stop sign a line.'),
            new Field('gentler', 'Gentler', FieldKind::Line),
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
