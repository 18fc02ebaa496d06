<?php

declare(strict_types=1);

namespace LucidAscent\App;

use LucidAscent\App\Database\Seal;
use LucidAscent\App\Database\SealedType;
use LucidAscent\App\Security\AtRest;
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
        SealedType::by(function (): Seal {
            $seal = $this->getContainer()->get(AtRest::class);

            return $seal instanceof Seal ? $seal : throw new \LogicException('Nothing seals.');
        });
    }
}
