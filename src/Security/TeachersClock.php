<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use LucidAscent\App\Entity\Teacher;
use Psr\Clock\ClockInterface;
use Symfony\Component\DependencyInjection\Attribute\AsAlias;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Contracts\Service\ResetInterface;

/** The clock in the room of the teacher who is signed in, so that today is the teacher's day; UTC where nobody is. */
#[AsAlias(ClockInterface::class)]
final class TeachersClock implements ClockInterface, ResetInterface
{
    /** Whose room it is on a page that the teacher is not signed in to. */
    private ?Teacher $standIn = null;

    public function __construct(
        #[Autowire(service: 'clock')]
        private readonly ClockInterface $clock,
        private readonly TokenStorageInterface $tokens,
    ) {
    }

    public function standIn(Teacher $teacher): void
    {
        $this->standIn = $teacher;
    }

    public function reset(): void
    {
        $this->standIn = null;
    }

    public function now(): \DateTimeImmutable
    {
        return $this->local($this->clock->now());
    }

    /** The same moment by this clock. */
    public function local(\DateTimeImmutable $moment): \DateTimeImmutable
    {
        $user = $this->standIn ?? $this->tokens->getToken()?->getUser();

        return $user instanceof Teacher ? $user->local($moment) : $moment->setTimezone(new \DateTimeZone('UTC'));
    }
}
