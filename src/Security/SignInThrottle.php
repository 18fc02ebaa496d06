<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Database\MomentType;
use LucidAscent\App\Entity\SignInAttempt;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Repository\SignedInRecords;
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
    /** So long a try is kept, with the address that it came from. */
    public const DAYS_KEPT = 90;
    /** What stands for an account where somebody tries words at the practitioners' door; no address of anybody's. */
    private const OWN_PAGE = 'own page';

    public function __construct(
        private EntityManagerInterface $em,
        private ClockInterface $clock,
        private RequestStack $requests,
        private PasswordHasherFactoryInterface $hashers,
        private OneAtATime $oneAtATime,
        private SignedInRecords $signedIn,
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
        return $this->failures(self::normal($email)) < self::FAILURES_PER_ACCOUNT
            && $this->fromHere("a.email <> '".self::OWN_PAGE."'") < self::FAILURES_PER_ADDRESS;
    }

    /** Whether words may be tried at the practitioners' door, from where this request comes: a count of its own. */
    public function allowsWords(): bool
    {
        return $this->fromHere("a.email = '".self::OWN_PAGE."'") < self::FAILURES_PER_ADDRESS;
    }

    /** Words that open no own page. */
    public function wrongWords(): void
    {
        $this->keep(self::OWN_PAGE, false);
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
        // Who asked from where is nobody's business for longer.
        $this->em
            ->createQuery('DELETE FROM '.SignInAttempt::class.' a WHERE a.at < :last')
            ->setParameter('last', $this->clock->now()->modify('-'.self::DAYS_KEPT.' days'), MomentType::NAME)
            ->execute();
    }

    /** For an account; a sign-in that worked clears its count. */
    private function failures(string $email): int
    {
        return $this->count('a.email = :value', $email, max($this->since(), $this->signedIn->last($email)));
    }

    /** From an address, at one door; it is not cleared by one good account. */
    private function fromHere(string $door): int
    {
        return $this->count("a.address = :value AND $door", $this->address(), $this->since());
    }

    private function count(string $which, string $value, \DateTimeImmutable $since): int
    {
        return (int) $this->em
            ->createQuery(
                'SELECT COUNT(a.id) FROM '.
                    SignInAttempt::class.
                    " a WHERE $which AND a.succeeded = false AND a.at >= :since",
            )
            ->setParameter('value', $value)
            ->setParameter('since', $since, MomentType::NAME)
            ->getSingleScalarResult();
    }

    private function since(): \DateTimeImmutable
    {
        return $this->clock->now()->modify('-'.self::MINUTES.' minutes');
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
