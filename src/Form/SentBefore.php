<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Repository\FormRecords;
use Symfony\Bundle\SecurityBundle\Security;
use Symfony\Component\Form\AbstractTypeExtension;
use Symfony\Component\Form\ChoiceList\View\ChoiceView;
use Symfony\Component\Form\Event\PostSubmitEvent;
use Symfony\Component\Form\Event\PreSubmitEvent;
use Symfony\Component\Form\Extension\Core\Type\FormType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\Form\FormError;
use Symfony\Component\Form\FormEvents;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\Form\FormView;
use Symfony\Component\Uid\Uuid;
use Symfony\Contracts\Translation\TranslatableInterface;
use Symfony\Contracts\Translation\TranslatorInterface;

/**
 * Every form that makes a record carries the entry that it was given when it was opened. Sent again as it was, it says
 * so; sent again with anything else, it comes back under a new entry, with what differs from what is on record: nothing
 * that somebody typed is taken for recorded when it is not.
 */
final class SentBefore extends AbstractTypeExtension
{
    /**
     * @var \WeakMap<FormInterface, array{array<string, string|list<string>>, array<string, string|list<string>>}> what
     *     was sent then, and now
     */
    private \WeakMap $differing;

    public function __construct(
        private readonly FormRecords $formRecords,
        private readonly Security $security,
        private readonly TranslatorInterface $translator,
    ) {
        $this->differing = new \WeakMap();
    }

    public static function getExtendedTypes(): iterable
    {
        return [FormType::class];
    }

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        // The fields of a form are added after this; whether it has an entry is asked when it is sent.
        if (!$builder->getCompound()) {
            return;
        }
        $builder->addEventListener(FormEvents::PRE_SUBMIT, function (PreSubmitEvent $event): void {
            $raw = $event->getData();
            $entry =
                is_array($raw) && $event->getForm()->isRoot() && $event->getForm()->has('entry')
                    ? $raw['entry'] ?? null
                    : null;
            $teacher = $this->security->getUser();
            $sent =
                is_string($entry) && Uuid::isValid($entry) && $teacher instanceof Teacher
                    ? $this->formRecords->sentForm($teacher, Uuid::fromString($entry))
                    : null;
            $typed = self::typed($event->getForm(), $raw);
            if (null !== $sent && $sent !== $typed) {
                $this->differing[$event->getForm()] = [$sent, $typed];
            }
        });
        $builder->addEventListener(FormEvents::POST_SUBMIT, function (PostSubmitEvent $event): void {
            if (isset($this->differing[$event->getForm()])) {
                $event
                    ->getForm()
                    ->addError(
                        new FormError(
                            $this->translator->trans(
                                'versions.stands',
                            ),
                        ),
                    );
            }
        });
    }

    public function finishView(FormView $view, FormInterface $form, array $options): void
    {
        if (!isset($this->differing[$form])) {
            return;
        }
        [$sent, $now] = $this->differing[$form];
        $view['entry']->vars['value'] = (string) Uuid::v7();
        $view->vars['differs'] = [];
        foreach (array_keys($sent + $now) as $path) {
            if (($sent[$path] ?? '') !== ($now[$path] ?? '')) {
                $view->vars['differs'][] = [
                    'field' => self::label($view, $path),
                    'then' => self::shown($view, $path, $sent[$path] ?? ''),
                    'now' => self::shown($view, $path, $now[$path] ?? ''),
                ];
            }
        }
    }

    /**
     * What was typed, by the path of each field that the form has; what was left empty is left out.
     *
     * @return array<string, string|list<string>>
     */
    public static function typed(FormInterface $form, mixed $raw, string $under = ''): array
    {
        $typed = [];
        foreach (is_array($raw) ? $form : [] as $name => $child) {
            $value = $raw[$name] ?? null;
            $path = $under.$name;
            if ($child->getConfig()->getCompound() && !$child->getConfig()->hasOption('choices')) {
                $typed += self::typed($child, $value, "$path.");
            } elseif ('entry' !== $path && 'errors' !== $path) {
                $texts = array_map(
                    static fn (mixed $text): string => mb_scrub(trim((string) $text)),
                    array_values(array_filter(is_array($value) ? $value : [$value], is_scalar(...))),
                );
                sort($texts);
                $typed[$path] = is_array($value) ? $texts : $texts[0] ?? '';
            }
        }

        $typed = array_filter($typed, static fn (string|array $text): bool => '' !== $text && [] !== $text);
        ksort($typed);

        return $typed;
    }

    /**
     * @return list<array{string, string|false}> the labels from the form down to a field, each with its translation
     *     domain
     */
    private static function label(FormView $view, string $path): array
    {
        $labels = [];
        foreach (explode('.', $path) as $name) {
            $view = $view[$name] ?? null;
            if (null === $view) {
                return [...$labels, [$path, false]];
            }
            $label = $view->vars['label'] ?? null;
            if (is_string($label) && '' !== $label) {
                $labels[] = [$label, 'messages'];
            } elseif (ctype_digit($name)) {
                $labels[] = [(string) ((int) $name + 1), false];
            }
        }

        return $labels;
    }

    /**
     * @param string|list<string> $typed
     *
     * @return list<array{string|TranslatableInterface, string|false}> the texts of what was chosen, or what was typed,
     * each with its
     *     translation domain
     */
    private static function shown(FormView $view, string $path, string|array $typed): array
    {
        foreach (explode('.', $path) as $name) {
            $view = $view[$name] ?? null;
        }
        $shown = [];
        foreach ('' === $typed ? [] : (array) $typed as $text) {
            $domain = $view->vars['choice_translation_domain'] ?? 'messages';
            $chosen = array_filter(
                $view->vars['choices'] ?? [],
                static fn (mixed $choice): bool => $choice instanceof ChoiceView && $choice->value === $text,
            );
            $label = [] === $chosen ? null : reset($chosen)->label;
            $shown[] = is_string($label) || $label instanceof TranslatableInterface
                ? [$label, false === $domain ? 'messages' : $domain]
                : [in_array('checkbox', $view->vars['block_prefixes'] ?? [], true) ? '✓' : $text, false];
        }

        return $shown;
    }
}
