<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Text\Languages;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\NotNull;

/** In which language somebody reads, and how numbers are written. */
final class LanguageForm extends AbstractType
{
    public function __construct(private readonly Languages $languages)
    {
    }

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder->add('locale', ChoiceType::class, [
            'label' => 'account.language.label',
            'choices' => $this->languages->all(),
            'choice_label' => static fn (string $locale): string => "language.$locale",
            'choice_translation_domain' => 'labels',
            'invalid_message' => 'account.language.choose',
            'constraints' => [new NotNull(message: 'account.language.choose')],
        ]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['attr' => ['novalidate' => 'novalidate']]);
    }
}
