<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use LucidAscent\App\Entity\Teacher;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\AsAlias;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;

/** The clock in the room of the teacher who is signed in, so that today is the teacher's day; UTC where nobody is. */
#[AsAlias(ClockInterface::class)]
final readonly class TeachersClock implements ClockInterface
{
    public function __construct(#[Autowire(service: 'clock')] private ClockInterface $clock, private TokenStorageInterface $tokens)
    {
    }

    public function now(): \DateTimeImmutable
    {
        return $this->local($this->clock->now());
    }

    /** The same moment by this clock. */
    public function local(\DateTimeImmutable $moment): \DateTimeImmutable
    {
        $user = $this->tokens->getToken()?->getUser();

        return $user instanceof Teacher ? $user->local($moment) : $moment->setTimezone(new \DateTimeZone('UTC'));
    }
}
