<?php

declare(strict_types=1);

namespace LucidAscent\App\Device;

use Symfony\Component\HttpKernel\Attribute\WithHttpStatus;

/** The place where pictures lie cannot be reached: none of them is gone for that. */
#[WithHttpStatus(503, ['Retry-After' => '10'])]
final class PicturesAway extends \RuntimeException
{
}
