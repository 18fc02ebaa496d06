<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Audit\AuditTrail;
use LucidAscent\App\Entity\PasswordChange;
use LucidAscent\App\Form\ChangePasswordForm;
use LucidAscent\App\Form\LanguageForm;
use LucidAscent\App\Form\TimeZoneForm;
use LucidAscent\App\Repository\SignedInRecords;
use LucidAscent\App\Security\RouteVoter;
use LucidAscent\App\Security\SecondFactors;
use LucidAscent\App\Security\SecurityLog;
use LucidAscent\App\Security\SignedInBrowser;
use LucidAscent\App\Security\SignInThrottle;
use LucidAscent\App\Security\ToSignIn;
use LucidAscent\App\Text\Languages;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Uid\Uuid;

final class AccountController extends TeacherController
{
    private const TOKEN = 'account';
    /** A night without one is no fault yet; two are. */
    private const BACKUP_DUE = '-48 hours';

    #[Route('/account', 'account', methods: ['GET', 'POST'])]
    public function show(
        Request $request,
        UserPasswordHasherInterface $hasher,
        Security $security,
        SignInThrottle $throttle,
        SignedInBrowser $browser,
        SecurityLog $log,
        Languages $languages,
        AuditTrail $trail,
        SecondFactors $factors,
    ): Response {
        $teacher = $this->teacher();
        // The clock is the studio's.
        $zone = $this->isGranted(RouteVoter::OPEN, 'studio')
            ? $this->createForm(TimeZoneForm::class, ['zone' => $teacher->timeZone()])->handleRequest($request)
            : null;
        if (true === $zone?->isSubmitted() && $zone->isValid()) {
            $teacher->moveTo($zone->getData()['zone']);
            $this->records->add($teacher);
            $this->addFlash('done', 'account.zone.saved');

            return $this->redirectToRoute('on_the_mat');
        }
        $language = $this->createForm(LanguageForm::class, ['locale' => $languages->known($teacher->locale())])
            ->handleRequest($request);
        if ($language->isSubmitted() && $language->isValid()) {
            $teacher->speak($language->getData()['locale']);
            $this->records->add($teacher);
            $this->addFlash('done', 'account.language.saved');

            return $this->redirectToRoute('account');
        }
        $password = $this->createForm(ChangePasswordForm::class, options: ['own' => [$teacher->name, $teacher->email]]);
        if ($request->request->has($password->getName()) && !$throttle->allows($teacher->email)) {
            $this->addFlash(
                'hint',
                'account.password.blocked.change',
            );

            return $this->redirectToRoute('account');
        }
        $password->handleRequest($request);
        if ($password->isSubmitted()) {
            $throttle->keep($teacher->email, $password->get('current')->isValid());
        }
        if ($password->isSubmitted() && $password->isValid()) {
            $teacher->changePassword($hasher->hashPassword($teacher, (string) $password->get('new')->getData()));
            $this->records->add($teacher, new PasswordChange(Uuid::v7(), $teacher, $this->clock->now()));
            // Every other browser is signed out by the change; this one goes on.
            $browser->endOthers($teacher, $request);
            $security->login($teacher);
            $log->write('password changed');
            $this->addFlash('done', 'account.password.changed');

            return $this->redirectToRoute('on_the_mat');
        }

        $backup = $trail->lastBackup();

        return $this->render('account/show.html.twig', [
            'zone' => $zone,
            'language' => $language,
            'password' => $password,
            'browsers' => $browser->all($teacher),
            'here' => $browser->id($request),
            'token' => self::TOKEN,
            'hasFactor' => $factors->isAsked($teacher),
            'backup' => $backup,
            'isBackupOld' => null === $backup || $backup < $this->clock->now()->modify(self::BACKUP_DUE),
        ]);
    }

    #[Route('/account/browsers/{browser}/end', 'browser_end', methods: ['POST'])]
    public function end(string $browser, Request $request, SignedInRecords $signedIn, SecurityLog $log): Response
    {
        $this->checkToken(self::TOKEN, $request);
        if (Uuid::isValid($browser)) {
            $signedIn->end($this->teacher(), $this->clock->now(), Uuid::fromString($browser));
            $log->write('browser signed out');
        }
        $this->addFlash('done', 'account.browser.ended');

        return $this->redirectToRoute('account');
    }

    /** Before much leaves at once: whoever found a browser that somebody left open has no password. */
    #[Route('/account/password', 'password_again', methods: ['GET', 'POST'])]
    public function again(
        Request $request,
        UserPasswordHasherInterface $hasher,
        SignInThrottle $throttle,
        SignedInBrowser $browser,
    ): Response {
        $teacher = $this->teacher();
        $back = ToSignIn::back(
            $request->request->getString(ToSignIn::BACK) ?: $request->query->getString(ToSignIn::BACK),
        );
        $fault = null;
        if ($request->isMethod('POST')) {
            $this->checkToken(self::TOKEN, $request);
            $isRight = $throttle->allows($teacher->email)
                ? $hasher->isPasswordValid($teacher, $request->request->getString('password'))
                : null;
            if (null !== $isRight) {
                $throttle->keep($teacher->email, $isRight);
            }
            if (true === $isRight) {
                $browser->prove($request);

                return $this->redirect($back ?? $this->generateUrl('on_the_mat'));
            }
            $fault =
                null === $isRight
                    ? 'account.password.blocked'
                    : 'account.password.wrong';
        }

        return $this->render(
            'account/password_again.html.twig',
            ['back' => $back, 'fault' => $fault, 'token' => self::TOKEN],
            new Response(status: null === $fault ? 200 : 422),
        );
    }
}
