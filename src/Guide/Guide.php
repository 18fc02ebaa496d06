<?php

declare(strict_types=1);

namespace LucidAscent\App\Guide;

/** What the guide is made of: its texts are translations (guide), its figures the catalogue's. */
final class Guide
{
    /** One page a step of the job; figures are "test ID" or "posture/rung". */
    public const PAGES = [
        'body' => ['figures' => ['test soles-together', 'test knee-hug'], 'steps' => 4],
        'test' => ['figures' => ['test soles-together', 'test shins-stacked', 'test figure-four-lying'], 'steps' => 5],
        'reading' => [
            'figures' => ['half-lotus/', 'half-lotus/mid-thigh-on-block', 'half-lotus/lying-half-lotus'],
            'steps' => 5,
        ],
        'held' => ['figures' => ['figure-four/', 'legs-up-wall/'], 'steps' => 5],
        'route' => ['figures' => ['soles-together/', 'figure-four/', 'half-lotus/'], 'steps' => 4],
        'plan' => ['figures' => ['figure-four/', 'shins-stacked/', 'legs-up-wall/'], 'steps' => 5],
        'session' => ['figures' => ['pigeon/', 'half-lotus/lying-half-lotus'], 'steps' => 9],
        'time' => ['figures' => ['half-lotus/lying-half-lotus', 'half-lotus/'], 'steps' => 5],
    ];

    /** A tour of one person, page by page: the route of each, and a figure. */
    public const TOUR = [
        'practitioner' => 'half-lotus/',
        'pose' => 'half-lotus/mid-thigh-on-block',
        'ladder' => 'figure-four/',
        'plan_newest' => 'shins-stacked/',
        'progress' => 'soles-together/',
        'journal' => 'pigeon/',
    ];

    public const WORDS = [
        'flexion',
        'extension',
        'abduction',
        'adduction',
        'rotation',
        'internal-rotation',
        'knee-flexion',
        'hamstrings',
        'tilt',
        'capacity',
        'demand',
        'margin',
        'limiter',
        'noise',
        'at-least',
        'chance',
        'rung',
        'ladder',
        'full-form',
        'gate',
        'compensation',
        'felt',
        'purpose',
        'open',
        'near',
        'short',
        'first',
        'unknown',
        'held',
        'clearance',
        'keystone',
        'restriction',
        'swivel',
        'prop',
        'dose',
    ];

    /** By the page on which they work. */
    public const KEYS = [
        'bench' => ['Enter', 'O', 'Space', 'P', 'C', 'U', 'N', '?'],
        'lab' => ['Tab', 'Arrows'],
        'plan' => ['Tab', 'Enter'],
        'session' => ['Tab', 'Enter'],
        'chart' => ['Arrows'],
        'everywhere' => ['Slash', 'Tab', 'Skip'],
    ];
}
