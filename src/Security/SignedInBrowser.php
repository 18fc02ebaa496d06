<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use LucidAscent\App\Entity\SignedIn;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Repository\Records;
use LucidAscent\App\Repository\SignedInRecords;
use Psr\Clock\ClockInterface;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;
use Symfony\Component\Security\Http\Event\LogoutEvent;
use Symfony\Component\Uid\Uuid;

/**
 * How long a browser stays signed in: two hours without a page (the sessions' own lifetime: as long as a class with
 * what comes before and after it), twelve hours in all, and until somebody ends it from another one. What was typed is
 * carried through the next sign-in.
 */
final readonly class SignedInBrowser
{
    public const LONGEST = '12 hours';
    /** So long after a password was given nobody is asked for it again. */
    private const PROOF = '15 minutes';
    private const KEY = 'signed in';

    public function __construct(
        private SignedInRecords $signedIn,
        private Records $records,
        private ClockInterface $clock,
    ) {
    }

    /** Before the firewall looks who is there. */
    #[AsEventListener(priority: 9)]
    public function end(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (
            !$event->isMainRequest()
            || !$request->hasPreviousSession()
            || !$request->getSession()->has(NoSessionBeforeSignIn::SIGNED_IN)
        ) {
            return;
        }
        $id = $this->id($request);
        if (
            $this->known($request)['at'] < $this->ago(self::LONGEST)
            || null !== $id && $this->signedIn->hasEnded($id)
        ) {
            $request->getSession()->invalidate();
        }
    }

    #[AsEventListener]
    public function begin(LoginSuccessEvent $event): void
    {
        $teacher = $event->getUser();
        $request = $event->getRequest();
        if (!$teacher instanceof Teacher) {
            return;
        }
        // A new password signs the same browser in anew.
        $before = $this->id($request);
        if (null !== $before) {
            $this->signedIn->end($teacher, $this->clock->now(), $before);
        }
        $now = $this->clock->now();
        $agent = mb_scrub((string) $request->headers->get('User-Agent'));
        $this->records->add(
            $one = new SignedIn(
                Uuid::v7(),
                $teacher,
                $now,
                (string) $request->getClientIp(),
                mb_substr($agent, 0, SignedIn::LONGEST_AGENT),
            ),
        );
        $request->getSession()->set(self::KEY, [
            'id' => (string) $one->id,
            'at' => $now->getTimestamp(),
            'proved' => $now->getTimestamp(),
        ]);
        $this->signedIn->forget($now->modify('-'.SignInThrottle::DAYS_KEPT.' days'));
    }

    /** While the session is there. */
    #[AsEventListener(priority: 100)]
    public function leave(LogoutEvent $event): void
    {
        $id = $this->id($event->getRequest());
        $teacher = $event->getToken()?->getUser();
        if (null !== $id && $teacher instanceof Teacher) {
            $this->signedIn->end($teacher, $this->clock->now(), $id);
        }
    }

    /** Pages that the browser has kept go; what waits to be sent stays, and only its owner can read it. */
    #[AsEventListener(priority: -100)]
    public function clear(LogoutEvent $event): void
    {
        $event->getResponse()?->headers->set('Clear-Site-Data', '"cache"');
    }

    /** @return list<SignedIn> those that are not ended, this one among them */
    public function all(Teacher $teacher): array
    {
        return $this->signedIn->open($teacher, $this->clock->now()->modify('-'.self::LONGEST));
    }

    /** From the next page on nobody is signed in to the account, but in one browser. */
    public function endAll(Teacher $teacher, ?Uuid $but = null): void
    {
        $this->signedIn->end(
            $teacher,
            $this->clock->now(),
            ...array_filter(
                array_map(static fn (SignedIn $one): Uuid => $one->id, $this->all($teacher)),
                static fn (Uuid $id): bool => !$id->equals($but),
            ),
        );
    }

    public function id(Request $request): ?Uuid
    {
        $id = $this->known($request)['id'];

        return null === $id ? null : Uuid::fromString($id);
    }

    /** Every other browser is signed out. */
    public function endOthers(Teacher $teacher, Request $request): void
    {
        $this->endAll($teacher, $this->id($request));
    }

    /** Whether whoever sits there has given the password a moment ago: asked before much leaves at once. */
    public function isProved(Request $request): bool
    {
        return $this->known($request)['proved'] >= $this->ago(self::PROOF);
    }

    public function prove(Request $request): void
    {
        $request
            ->getSession()
            ->set(self::KEY, ['proved' => $this->clock->now()->getTimestamp()] + $this->known($request));
    }

    /**
     * What is known of this browser's session; one that is of before any of this begins now.
     *
     * @return array{id: string|null, at: int, proved: int}
     */
    private function known(Request $request): array
    {
        $session = $request->getSession();
        $known = $session->get(self::KEY);
        if (!is_array($known)) {
            $now = $this->clock->now()->getTimestamp();
            $session->set(self::KEY, $known = ['id' => null, 'at' => $now, 'proved' => $now]);
        }

        return [
            'id' => is_string($known['id'] ?? null) ? $known['id'] : null,
            'at' => (int) ($known['at'] ?? 0),
            'proved' => (int) ($known['proved'] ?? 0),
        ];
    }

    private function ago(string $time): int
    {
        return $this->clock->now()->modify("-$time")->getTimestamp();
    }
}
