<?php

declare(strict_types=1);

namespace LucidAscent\Tests\App;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/** What the next answers are interrupted with, once all that they write has been written. */
final class Interrupting
{
    /** @var list<\Throwable> */
    public static array $with = [];

    #[AsEventListener(priority: -900)]
    public function answered(ResponseEvent $event): void
    {
        if ($event->isMainRequest() && [] !== self::$with) {
            throw array_shift(self::$with);
        }
    }
}
