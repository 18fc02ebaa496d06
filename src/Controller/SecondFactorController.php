<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Security\SecondFactors;
use LucidAscent\App\Security\SecurityLog;
use LucidAscent\App\Security\SignedInBrowser;
use LucidAscent\App\Security\TimedCode;
use LucidAscent\App\Security\ToSignIn;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** An app that shows codes: begun, begun anew, and ended, by who has given the password a moment ago. */
final class SecondFactorController extends TeacherController
{
    private const TOKEN = 'second_factor';
    /** What the app is given, until it has shown a code. */
    private const SECRET = 'second factor';

    #[Route('/account/second-factor', 'second_factor', methods: ['GET', 'POST'])]
    public function show(
        Request $request,
        SecondFactors $factors,
        SignedInBrowser $browser,
        SecurityLog $log,
    ): Response {
        if (!$browser->isProved($request)) {
            return $this->redirectToRoute('password_again', [ToSignIn::BACK => $request->getPathInfo()]);
        }
        $teacher = $this->teacher();
        $session = $request->getSession();
        $secret = $session->get(self::SECRET);
        if (!is_string($secret)) {
            $session->set(self::SECRET, $secret = bin2hex(TimedCode::secret()));
        }
        $bytes = (string) hex2bin($secret);
        $paper = $fault = null;
        if ($request->isMethod('POST')) {
            $this->checkToken(self::TOKEN, $request);
            if ('end' === $request->request->get('do')) {
                $factors->end($teacher);
                $log->write('second factor ended');
                $this->addFlash('done', 'second_factor.ended');

                return $this->redirectToRoute('account');
            }
            $paper = $factors->begin($teacher, $bytes, $request->request->getString(SecondFactors::FIELD));
            $fault = null === $paper ? 'second_factor.wrong' : null;
            if (null !== $paper) {
                $session->remove(self::SECRET);
                $log->write('second factor begun');
            }
        }

        return $this->render(
            'account/second_factor.html.twig',
            [
                'isOn' => null !== $factors->of($teacher),
                'written' => TimedCode::written($bytes),
                'address' => TimedCode::address($bytes, $teacher->email),
                'paper' => $paper,
                'fault' => $fault,
                'token' => self::TOKEN,
            ],
            new Response(status: null === $fault ? 200 : 422),
        );
    }
}
