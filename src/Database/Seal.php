<?php

declare(strict_types=1);

namespace LucidAscent\App\Database;

/** What makes bytes unreadable to whoever has the disk and not the key. */
interface Seal
{
    /** @param string $of whose place it has: put elsewhere, it does not open */
    public function seal(#[\SensitiveParameter] string $plain, string $of): string;

    /** @return string|null null where no key opens it */
    public function open(string $sealed, string $of): ?string;
}
