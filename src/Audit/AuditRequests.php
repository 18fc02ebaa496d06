<?php

declare(strict_types=1);

namespace LucidAscent\App\Audit;

use LucidAscent\App\Database\WholeRequest;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Repository\AskedPeople;
use LucidAscent\App\Security\SignedInBrowser;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\ResponseEvent;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Security\Http\Event\LogoutEvent;

/** Writes down each request that showed or changed something of somebody, before it is answered. */
final readonly class AuditRequests
{
    /** Where a request was more than its route says: an Action. */
    public const ACTION = 'audited_action';

    public function __construct(
        private AuditTrail $trail,
        private AskedPeople $people,
        private SignedInBrowser $browser,
        private TokenStorageInterface $tokens,
        private WholeRequest $whole,
    ) {
    }

    #[AsEventListener(priority: -100)]
    public function answered(ResponseEvent $event): void
    {
        $request = $event->getRequest();
        $status = $event->getResponse()->getStatusCode();
        // What was refused showed nothing, nor did what led elsewhere; what was sent and not taken was a page to read.
        $isNothing =
            $status >= Response::HTTP_BAD_REQUEST && Response::HTTP_UNPROCESSABLE_ENTITY !== $status
            || $request->isMethodSafe() && $status >= Response::HTTP_MULTIPLE_CHOICES;
        if (!$event->isMainRequest() || $isNothing) {
            return;
        }
        $isSent = !$request->isMethodSafe() && Response::HTTP_UNPROCESSABLE_ENTITY !== $status;
        $audited = AuditedRoutes::of($request->attributes->getString('_route'), $isSent);
        if (null !== $audited) {
            $this->write($request, $audited[0], $request->attributes->get(self::ACTION) ?? $audited[1]);
        }
    }

    #[AsEventListener(priority: 110)]
    public function left(LogoutEvent $event): void
    {
        $teacher = $event->getToken()?->getUser();
        if ($teacher instanceof Teacher) {
            $this->trail->write(
                AuditTrail::TEACHER,
                $teacher->id,
                Action::SignOut,
                Place::Account,
                $teacher->id,
                session: $this->browser->id($event->getRequest()),
            );
        }
    }

    private function write(Request $request, Place $place, Action $action): void
    {
        $teacher = $this->tokens->getToken()?->getUser();
        $own = $this->people->whoAsks();
        // A list shows names and nothing of a record: it is one thing that was read, and nobody's in particular.
        $people = Place::List === $place ? [] : $this->people->all();
        [$actor, $by, $session] = match (true) {
            null !== $own => [AuditTrail::PERSON, $own->id, $this->people->device()],
            $teacher instanceof Teacher => [AuditTrail::TEACHER, $teacher->id, $this->browser->id($request)],
            default => [AuditTrail::CALENDAR, null, null],
        };
        // Nobody is there, and nothing was shown: a door that stayed shut, a sign-in that failed.
        if (null === $by && [] === $people) {
            return;
        }
        // All of them, and the session, with one write to the disk.
        $this->whole->begin();
        foreach ([] === $people ? [null] : $people as $whom) {
            $this->trail->write(
                $actor,
                $by,
                $action,
                $place,
                $whom->teacher->id ?? ($teacher instanceof Teacher ? $teacher->id : null),
                $whom?->id,
                $session,
            );
        }
    }
}
