<?php

declare(strict_types=1);

namespace LucidAscent\App\PageCache;

/**
 * A page that depends on nothing but records, code, day and language, and may be kept until one of them changes.
 */
#[\Attribute(\Attribute::TARGET_METHOD)]
final readonly class CachedPage
{
    /** The moment until which a page that says less after it may be kept, as an attribute of its request. */
    public const UNTIL = 'kept_until';

    /**
     * @param list<string> $asks what may be asked of the page in its address; asked anything else, it is made anew each
     *     time
     */
    public function __construct(public array $asks = [], public Whose $whose = Whose::Persons)
    {
    }
}
