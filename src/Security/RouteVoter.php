<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use LucidAscent\App\Entity\Teacher;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Authorization\Voter\Vote;
use Symfony\Component\Security\Core\Authorization\Voter\Voter;

/**
 * Whether somebody may open a route, and do what it does. Whose record it is then is asked where records are.
 *
 * @extends Voter<string, string>
 */
final class RouteVoter extends Voter
{
    public const OPEN = 'open';

    protected function supports(string $attribute, mixed $subject): bool
    {
        return self::OPEN === $attribute && is_string($subject);
    }

    protected function voteOnAttribute(
        string $attribute,
        mixed $subject,
        TokenInterface $token,
        ?Vote $vote = null,
    ): bool {
        $member = $token->getUser();
        $right = RouteRights::of($subject);

        return match (true) {
            null === $right => false,
            Right::Public === $right => true,
            !$member instanceof Teacher => false,
            default => $right->is($member->role()),
        };
    }
}
