<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use LucidAscent\App\Entity\Teacher;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** With what a teacher's logs are encrypted while they wait on a device; another teacher's key opens none of them. */
final readonly class QueueKey
{
    public function __construct(#[Autowire('%env(APP_SECRET)%'), \SensitiveParameter] private string $secret)
    {
    }

    /** 256 bits in base 64, the same for one teacher for as long as the installation keeps its secret. */
    public function of(Teacher $teacher): string
    {
        return base64_encode(hash_hmac('sha256', 'session logs '.$teacher->id->toRfc4122(), $this->secret, true));
    }
}
