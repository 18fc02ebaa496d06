<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Entity\InvitationEnd;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Role;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Form\InviteForm;
use LucidAscent\App\Form\StudioForm;
use LucidAscent\App\Repository\StudioRecords;
use LucidAscent\App\Security\PublicUrl;
use LucidAscent\App\Security\SecondFactors;
use LucidAscent\App\Security\SecurityLog;
use LucidAscent\App\Security\SignedInBrowser;
use LucidAscent\App\Security\ToSignIn;
use LucidAscent\App\Studio\Members;
use LucidAscent\App\Studio\SharedRecord;
use Symfony\Component\Form\FormError;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Who is a member of the studio, who is asked to come, and whose people are whose: for its owners. */
final class StudioController extends TeacherController
{
    private const TOKEN = 'studio';

    public function __construct(
        private readonly StudioRecords $studio,
        private readonly Members $members,
        private readonly SecurityLog $log,
    ) {
    }

    #[Route('/studio', 'studio', methods: ['GET', 'POST'])]
    public function show(
        Request $request,
        PublicUrl $url,
        SecondFactors $factors,
        SignedInBrowser $browser,
    ): Response {
        if (!$browser->isProved($request)) {
            return $this->redirectToRoute('password_again', [ToSignIn::BACK => $request->getPathInfo()]);
        }
        $studio = $this->teacher()->studio();
        $set = $this->createForm(StudioForm::class, [
            'name' => $studio->name(),
            'ownersProveTwice' => $studio->ownersProveTwice(),
        ])->handleRequest($request);
        if ($set->isSubmitted() && $set->isValid()) {
            $data = $set->getData();
            $studio->set(trim((string) $data['name']), true === $data['ownersProveTwice']);
            $this->records->add($studio);
            $this->addFlash('done', 'studio.saved');

            return $this->redirectToRoute('studio');
        }
        $link = null;
        $invite = $this->createForm(InviteForm::class)->handleRequest($request);
        if ($invite->isSubmitted() && $invite->isValid()) {
            $data = $invite->getData();
            $email = mb_strtolower(trim($data['email']));
            if ($this->studio->hasAccount($email)) {
                $invite->get('email')->addError(new FormError('studio.email.taken'));
            } else {
                $secret = $this->members->invite($this->teacher(), $email, trim($data['name']), $data['role']);
                $this->log->write('member invited');
                $link = $url->of($this->generateUrl('join', ['secret' => $secret]));
                $invite = $this->createForm(InviteForm::class);
            }
        }
        $members = $this->studio->everybody($studio);
        $people = [];
        foreach ($this->studio->peopleOf(...$members) as $one) {
            $people[(string) $one->teacher->id][] = $one;
        }
        $there = array_filter($members, static fn (Teacher $one): bool => Role::Left !== $one->role());

        return $this->render('studio/show.html.twig', [
            'studio' => $studio,
            'set' => $set,
            'invite' => $invite,
            'link' => $link,
            'days' => Members::DAYS,
            'members' => $there,
            'left' => array_diff_key($members, $there),
            'teachers' => array_filter($there, static fn (Teacher $one): bool => $one->role()->teaches()),
            'twice' => array_map(
                static fn (Teacher $one): string => (string) $one->id,
                array_filter($there, $factors->isAsked(...)),
            ),
            'people' => $people,
            'invitations' => $this->studio->invitations($studio),
            'roles' => Role::given(),
            'token' => self::TOKEN,
        ]);
    }

    #[Route('/studio/members/{member}', 'studio_member', methods: ['POST'])]
    public function member(string $member, Request $request): Response
    {
        $this->checkToken(self::TOKEN, $request);
        $studio = $this->teacher()->studio();
        $one = $this->studio->member($studio, $member) ?? throw $this->createNotFoundException();
        $role = Role::tryFrom($request->request->getString('role'));
        $fault =
            null === $role
                ? 'choose.listed'
                : $this->members->change(
                    $one,
                    $role,
                    $this->teacher(),
                    $this->studio->member($studio, $request->request->getString('to')),
                );
        if (null !== $role && null === $fault) {
            $this->log->write("member is $role->value now");
        }
        $this->addFlash(...null === $fault ? ['done', 'studio.member.changed'] : ['hint', $fault]);

        return $this->redirectToRoute('studio');
    }

    #[Route('/studio/invitations/{invitation}/end', 'studio_invitation_end', methods: ['POST'])]
    public function takeBack(string $invitation, Request $request): Response
    {
        $this->checkToken(self::TOKEN, $request);
        foreach ($this->studio->invitations($this->teacher()->studio()) as $one) {
            if ((string) $one->id === $invitation) {
                $this->records->addOnce(new InvitationEnd($one->id, $this->clock->now()));
                $this->addFlash('done', 'studio.invitation.ended');
            }
        }

        return $this->redirectToRoute('studio');
    }

    #[Route('/studio/people', 'studio_hand_over', methods: ['POST'])]
    public function handOver(Request $request, SharedRecord $shared): Response
    {
        $this->checkToken(self::TOKEN, $request);
        $studio = $this->teacher()->studio();
        $to = $this->studio->member($studio, $request->request->getString('to'));
        $chosen = array_flip(array_filter($request->request->all('people'), is_string(...)));
        $people = array_filter(
            $this->studio->peopleOf(...$this->studio->everybody($studio)),
            static fn (Practitioner $one): bool => isset($chosen[(string) $one->id]),
        );
        if (null === $to || [] === $people) {
            $this->addFlash('hint', 'studio.hand_over.choose');

            return $this->redirectToRoute('studio');
        }
        $done = 0;
        foreach ($people as $one) {
            $done += (int) $shared->handOver($one, $to, $this->teacher());
        }
        $this->addFlash('done', $this->say('studio.hand_over.done', ['count' => $done, 'name' => $to->name]));

        return $this->redirectToRoute('studio');
    }
}
