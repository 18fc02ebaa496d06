<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Security\Passkeys;
use LucidAscent\App\Security\SecondFactors;
use LucidAscent\App\Security\SecurityLog;
use LucidAscent\App\Security\SignedInBrowser;
use LucidAscent\App\Security\TimedCode;
use LucidAscent\App\Security\ToSignIn;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** An app that shows codes, and passkeys: begun, begun anew, and ended, by who has given the password a moment ago. */
final class SecondFactorController extends TeacherController
{
    private const TOKEN = 'second_factor';
    /** What the app is given, until it has shown a code. */
    private const SECRET = 'second factor';
    private const LONGEST_NAME = 80;

    #[Route('/account/second-factor', 'second_factor', methods: ['GET', 'POST'])]
    public function show(
        Request $request,
        SecondFactors $factors,
        Passkeys $passkeys,
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
            $do = $request->request->getString('do');
            if (in_array($do, ['end', 'end-passkey'], true)) {
                'end' === $do
                    ? $factors->endApp($teacher)
                    : $passkeys->end($teacher, $request->request->getString('key'));
                $log->write('second factor ended');
                $this->addFlash('done', 'end' === $do ? 'second_factor.ended' : 'passkey.ended');

                return $this->redirectToRoute('second_factor');
            }
            if ('passkey' === $do) {
                $name = mb_substr(trim($request->request->getString('name')), 0, self::LONGEST_NAME);
                $sent = json_decode($request->request->getString(SecondFactors::PASSKEY), true);
                $paper = $factors->beginPasskey(
                    $teacher,
                    '' === $name ? $this->say('passkey.unnamed') : $name,
                    is_array($sent) ? $sent : [],
                    $request,
                );
                $fault = null === $paper ? 'passkey.wrong' : null;
            } else {
                $paper = $factors->begin($teacher, $bytes, $request->request->getString(SecondFactors::FIELD));
                $fault = null === $paper ? 'second_factor.wrong' : null;
            }
            if (null !== $paper) {
                $session->remove(self::SECRET);
                $log->write('second factor begun');
            }
        }

        return $this->render(
            'account/second_factor.html.twig',
            [
                'isOn' => null !== $factors->of($teacher),
                'passkeys' => $passkeys->of($teacher),
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
