<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\SignInAttempt;
use LucidAscent\App\Entity\Teacher;
use Psr\Clock\ClockInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\Security\Core\Exception\TooManyLoginAttemptsAuthenticationException;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Event\CheckPassportEvent;
use Symfony\Component\Security\Http\Event\LoginFailureEvent;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;

/** Keeps every try to sign in, and refuses more once too many have failed of late. */
final readonly class SignInThrottle
{
    public const MINUTES = 15;
    public const FAILURES_PER_ACCOUNT = 5;
    public const FAILURES_PER_ADDRESS = 20;

    public function __construct(
        private EntityManagerInterface $em,
        private ClockInterface $clock,
        private RequestStack $requests,
        private PasswordHasherFactoryInterface $hashers,
        private OneAtATime $oneAtATime,
    ) {
    }

    /** Runs before the password is looked at, so that a refused try costs nothing and tells nothing. */
    #[AsEventListener(priority: 2080)]
    public function check(CheckPassportEvent $event): void
    {
        $badge = $event->getPassport()->getBadge(UserBadge::class);
        if (!$badge instanceof UserBadge) {
            return;
        }
        // Tries for one account are counted one after another, however many come at once.
        $this->oneAtATime->hold('tries '.self::normal($badge->getUserIdentifier()));
        if (!$this->allows($badge->getUserIdentifier())) {
            throw new TooManyLoginAttemptsAuthenticationException(self::MINUTES);
        }
    }

    /** Whether another password may be tried for an account, from where this request comes. */
    public function allows(string $email): bool
    {
        return $this->failures('email', self::normal($email)) < self::FAILURES_PER_ACCOUNT
            && $this->failures('address', $this->address()) < self::FAILURES_PER_ADDRESS;
    }

    /** Whether anything else that only its owner knows may be tried from where this request comes. */
    public function allowsFromHere(): bool
    {
        return $this->failures('address', $this->address()) < self::FAILURES_PER_ADDRESS;
    }

    #[AsEventListener]
    public function failed(LoginFailureEvent $event): void
    {
        if ($event->getException() instanceof TooManyLoginAttemptsAuthenticationException) {
            return;
        }
        if ($event->getException()->getPrevious() instanceof UserNotFoundException) {
            // As long as it takes with a wrong password: an address that nobody has is not told by the time.
            $this->hashers->getPasswordHasher(Teacher::class)->hash('nobody');
        }
        $badge = $event->getPassport()?->getBadge(UserBadge::class);
        $this->keep($badge instanceof UserBadge ? $badge->getUserIdentifier() : '', false);
    }

    #[AsEventListener]
    public function succeeded(LoginSuccessEvent $event): void
    {
        $this->keep($event->getUser()->getUserIdentifier(), true);
    }

    private function failures(string $column, string $value): int
    {
        // A sign-in that worked clears the count of its account; an address is not cleared by one good account.
        $since = $this->clock->now()->modify('-'.self::MINUTES.' minutes');
        if ('email' === $column) {
            $last = $this->em
                ->createQuery(
                    'SELECT MAX(a.at) FROM '.
                        SignInAttempt::class.
                        ' a WHERE a.email = :value AND a.succeeded = true',
                )
                ->setParameter('value', $value)
                ->getSingleScalarResult();
            $since = max($since, new \DateTimeImmutable((string) ($last ?? '@0'), new \DateTimeZone('UTC')));
        }

        return (int) $this->em
            ->createQuery(
                'SELECT COUNT(a.id) FROM '.
                    SignInAttempt::class.
                    " a WHERE a.$column = :value AND a.succeeded = false AND a.at >= :since",
            )
            ->setParameter('value', $value)
            ->setParameter('since', $since, MomentType::NAME)
            ->getSingleScalarResult();
    }

    public function keep(string $email, bool $succeeded): void
    {
        $this->em->persist(new SignInAttempt(self::normal($email), $this->address(), $succeeded, $this->clock->now()));
        $this->em->flush();
    }

    private function address(): string
    {
        return $this->requests->getMainRequest()?->getClientIp() ?? 'unknown';
    }

    private static function normal(string $email): string
    {
        return mb_substr(mb_strtolower(trim($email)), 0, 180);
    }
}
