<?php

declare(strict_types=1);

namespace LucidAscent\App\Kept;

/**
 * A page that depends on nothing but records, code, day and language, and may be kept until one of them changes. Whose
 * records it shows is in its address: a person's ("id") with those of the teacher who is signed in, or the teacher's alone.
 */
#[\Attribute(\Attribute::TARGET_METHOD)]
final readonly class Kept
{
    /** The moment until which a page that says less after it may be kept, as an attribute of its request. */
    public const UNTIL = 'kept_until';

    /**
     * @param list<string> $asks what may be asked of the page in its address; asked anything else, it is made anew each time
     * @param bool $isOfPerson whether the address names a person
     */
    public function __construct(public array $asks = [], public bool $isOfPerson = true)
    {
    }
}
