<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Person\RecordPain;
use LucidAscent\Core\Caution\Words\ReadWords;
use Symfony\Component\Form\Event\PostSubmitEvent;
use Symfony\Component\Form\Event\PreSubmitEvent;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\Form\FormError;
use Symfony\Component\Form\FormEvents;
use Symfony\Component\Form\FormInterface;
use Symfony\Contracts\Translation\TranslatorInterface;

/**
 * A note that speaks of pain or of a condition asks at once where and how it is: it is kept with that said above it, or
 * with the teacher's word that nothing of it hurts or is the matter.
 */
final readonly class AsksOfWords
{
    public const ANSWER = 'note_read';

    public function __construct(private TranslatorInterface $translator)
    {
    }

    /**
     * @param FormBuilderInterface<mixed> $builder of a form with a note
     * @param string $note its name
     * @param list<string> $answers fields besides those of pain that say what the note speaks of
     */
    public function add(FormBuilderInterface $builder, string $note = 'note', array $answers = []): void
    {
        $isAsked = false;
        $builder
            ->add(self::ANSWER, CheckboxType::class, [
                'label' => 'note.read',
                'mapped' => false,
                'required' => false,
            ])
            ->addEventListener(FormEvents::PRE_SUBMIT, static function (PreSubmitEvent $event) use (
                &$isAsked,
                $note,
                $answers,
            ): void {
                $typed = $event->getData();
                $isAsked = is_array($typed) && self::isUnanswered($typed, $note, $answers);
            })
            ->addEventListener(FormEvents::POST_SUBMIT, function (PostSubmitEvent $event) use (&$isAsked, $note): void {
                if ($isAsked) {
                    $event
                        ->getForm()
                        ->get($note)
                        ->addError(
                            new FormError(
                                $this->translator->trans(
                                    'note.speaks',
                                ),
                            ),
                        );
                }
            });
    }

    /**
     * The teacher's word that nothing of a note hurts or is the matter; null where it was not given.
     *
     * @param FormInterface<mixed> $form
     */
    public static function isRead(FormInterface $form): ?bool
    {
        return true === $form->get(self::ANSWER)->getData() ? true : null;
    }

    /**
     * @param array<mixed> $typed as it was sent
     * @param list<string> $answers
     */
    private static function isUnanswered(array $typed, string $name, array $answers): bool
    {
        $note = $typed[$name] ?? '';
        if (!is_string($note) || !ReadWords::of($note)->ask() || isset($typed[self::ANSWER])) {
            return false;
        }
        foreach ($typed as $of => $field) {
            if (
                (str_starts_with((string) $of, 'pain') && RecordPain::typed($field)->isFelt())
                || (in_array($of, $answers, true) && !in_array($field, ['', [], null], true))
            ) {
                return false;
            }
        }

        return true;
    }
}
