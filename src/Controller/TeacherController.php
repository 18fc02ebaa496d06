<?php

declare(strict_types=1);

namespace LucidAscent\App\Controller;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\SentForm;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Form\SentBefore;
use LucidAscent\App\Json\SentEntry;
use LucidAscent\App\Repository\FormRecords;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Calendar\Day;
use Psr\Clock\ClockInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\RequestStack;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Uid\Uuid;
use Symfony\Contracts\Service\Attribute\Required;
use Symfony\Contracts\Translation\TranslatorInterface;

/** What every page of a signed-in teacher needs. */
abstract class TeacherController extends AbstractController
{
    /** How long a form that is sent again is compared with what was recorded; an older one is answered with less. */
    private const SENT_FORMS_STAY = '-30 days';

    protected Records $records;
    protected ClockInterface $clock;

    private FormRecords $sentForms;
    private TranslatorInterface $translator;
    private RequestStack $requests;

    #[Required]
    public function setRecords(Records $records): void
    {
        $this->records = $records;
    }

    #[Required]
    public function setSentForms(FormRecords $sentForms): void
    {
        $this->sentForms = $sentForms;
    }

    #[Required]
    public function setClock(ClockInterface $clock): void
    {
        $this->clock = $clock;
    }

    #[Required]
    public function setRequests(RequestStack $requests): void
    {
        $this->requests = $requests;
    }

    #[Required]
    public function setTranslator(TranslatorInterface $translator): void
    {
        $this->translator = $translator;
    }

    /**
     * A sentence in the language of the page.
     *
     * @param array<string, string|int> $values
     */
    protected function say(string $text, array $values = [], string $domain = 'messages'): string
    {
        return $this->translator->trans($text, $values, $domain);
    }

    protected function teacher(): Teacher
    {
        $user = $this->getUser();

        return $user instanceof Teacher ? $user : throw $this->createAccessDeniedException();
    }

    protected function practitioner(string $id): Practitioner
    {
        return $this->records->practitioner($this->teacher(), $id);
    }

    /** The teacher's day, as a day: midnight in UTC, as forms and records have theirs. */
    protected function today(): \DateTimeImmutable
    {
        return Day::midnight($this->clock->now());
    }

    /** A change comes from a page of this session: its token is sent with it, by a form or by a script. */
    protected function checkToken(string $name, Request $request): void
    {
        if (
            !$this->isCsrfTokenValid($name, $request->headers->get('X-Token') ?? $request->request->getString('_token'))
        ) {
            throw $this->createAccessDeniedException();
        }
    }

    /** Where a height says nothing without the lengths of a body. */
    protected function bodyFirst(Practitioner $practitioner): Response
    {
        $this->addFlash('hint', 'bench.body_first');

        return $this->redirectToRoute('body', ['id' => $practitioner->id]);
    }

    /** Says what it means that a rung was felt in a wrong place; nothing of a right one. */
    protected function sayFelt(string $means): void
    {
        if ('' !== $means) {
            $this->addFlash('hint', $means);
        }
    }

    /** Says that something is recorded; or, of a form that was sent before, that it stands as it was then. */
    protected function sayRecorded(bool $isNew, string $done): void
    {
        $this->addFlash(
            $isNew ? 'done' : 'hint',
            $isNew ? $done : 'common.recorded_already',
        );
    }

    /**
     * Records what a form said, and what was typed for it: all of it or none, once.
     *
     * @return bool whether it is new
     */
    protected function recordOnce(FormInterface $form, object ...$records): bool
    {
        $now = $this->clock->now();
        $this->sentForms->forgetSentForms($now->modify(self::SENT_FORMS_STAY));
        $raw = $this->requests->getCurrentRequest()?->request->all($form->getName());

        return $this->records->addOnce(
            ...[
                ...array_values($records),
                new SentForm($this->entryOf($form), $this->teacher(), $now, SentBefore::typed($form, $raw)),
            ],
        );
    }

    /** Under which id a form was sent that is not read any more. */
    protected function sentEntry(Request $request, string $form): string
    {
        return (string) SentEntry::id($request->request->all($form)['entry'] ?? null);
    }

    /** The identity that a form was given when it was opened: sending it twice keeps one record. */
    protected function entryOf(FormInterface $form): Uuid
    {
        return SentEntry::id($form->get('entry')->getData());
    }
}
