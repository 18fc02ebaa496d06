<?php

declare(strict_types=1);

namespace LucidAscent\App\Database;

/** Another request of the same session has written it since this one has read it. */
final class SessionWritten extends \RuntimeException
{
}
