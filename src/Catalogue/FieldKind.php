<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

/** How a part of an entry is written in a form. */
enum FieldKind
{
    case Line;
    case Lines;
    case Choice;
    case Choices;
    case Number;
    case Flag;
    /** "posture: why", one a line */
    case Pairs;
    /** "what is wrong | how to see it", one a line */
    case Compensations;
    /**
     * "what | how its height is found | takes 2 block", one a line; a rule for its height may stand before what it
     * takes.
     */
    case Props;
    /** "5 to 10 breaths" */
    case Range;
    /** "10 breaths" */
    case Quantity;
    /** "rotation 90 degrees", one a line; or "leg half-lotus: kneeHeight 12, seat 0" */
    case Demand;
    /** "name | label | unit", one a line */
    case Measured;
}
