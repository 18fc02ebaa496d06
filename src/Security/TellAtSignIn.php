<?php

declare(strict_types=1);

namespace LucidAscent\App\Security;

use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Repository\SignedInRecords;
use LucidAscent\App\Text\DayText;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Session\FlashBagAwareSessionInterface;
use Symfony\Component\Security\Http\Event\LoginSuccessEvent;
use Symfony\Contracts\Translation\TranslatorInterface;

/** What happened to an account since somebody last signed in: told to whoever does, before that one is counted too. */
final readonly class TellAtSignIn
{
    /** Wrong passwords that are worth a word; whoever mistypes once knows it. */
    private const NOTABLE = 3;

    public function __construct(
        private SignedInRecords $signedIn,
        private SignedInBrowser $browser,
        private TranslatorInterface $translator,
        private DayText $days,
    ) {
    }

    #[AsEventListener(priority: 10)]
    public function tell(LoginSuccessEvent $event): void
    {
        $teacher = $event->getUser();
        $session = $event->getRequest()->getSession();
        // A new password signs the same browser in anew: whoever sits there has just given it.
        $isHere = null !== $this->browser->id($event->getRequest());
        if (!$teacher instanceof Teacher || !$session instanceof FlashBagAwareSessionInterface || $isHere) {
            return;
        }
        [$failed, $changed] = $this->signedIn->since($teacher);
        if ($failed >= self::NOTABLE) {
            $session->getFlashBag()->add('hint', $this->translator->trans(
                'account.wrong_passwords',
                ['count' => $failed],
            ));
        }
        if (null !== $changed) {
            $session->getFlashBag()->add('hint', $this->translator->trans(
                'account.changed_on',
                ['day' => $this->days->text($teacher->local($changed->at), 'j M Y, H:i')],
            ));
        }
    }
}
