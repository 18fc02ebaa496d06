<?php

declare(strict_types=1);

namespace LucidAscent\App;

use Symfony\Bundle\FrameworkBundle\Kernel\MicroKernelTrait;
use Symfony\Component\HttpKernel\Kernel as BaseKernel;

final class Kernel extends BaseKernel
{
    use MicroKernelTrait;

    public function boot(): void
    {
        // Moments are kept and compared in UTC whatever the machine is set to; days are the teacher's.
        date_default_timezone_set('UTC');
        // So are numbers and names of days: in the way of the texts until somebody's language is known.
        \Locale::setDefault('en');
        parent::boot();
    }
}
