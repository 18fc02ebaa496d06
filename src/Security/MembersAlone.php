<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use LucidAscent\App\Entity\Role;
use LucidAscent\App\Entity\Teacher;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Exception\BadCredentialsException;
use Symfony\Component\Security\Core\User\UserCheckerInterface;
use Symfony\Component\Security\Core\User\UserInterface;

/** Whoever has left a studio does not get in: told no more than somebody with a wrong password. */
final class MembersAlone implements UserCheckerInterface
{
    public function checkPreAuth(UserInterface $user): void
    {
    }

    public function checkPostAuth(UserInterface $user, ?TokenInterface $token = null): void
    {
        if (!$user instanceof Teacher || Role::Left === $user->role()) {
            throw new BadCredentialsException();
        }
    }
}
