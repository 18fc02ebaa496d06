<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Form\Type\DayType;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\IsTrue;
use Symfony\Component\Validator\Constraints\NotBlank;

/** With whom somebody's record is shared, until when, and that the person has agreed. */
final class ShareForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('member', ChoiceType::class, [
                'label' => 'sharing.with',
                'choices' => $options['colleagues'],
                'choice_value' => static fn (?Teacher $one): string => (string) $one?->id,
                'choice_label' => static fn (Teacher $one): string => $options['name']($one),
                'choice_translation_domain' => false,
                'placeholder' => 'common.choose',
                'invalid_message' => 'choose.listed',
                'constraints' => [new NotBlank(message: 'choose.listed')],
            ])
            ->add('last', DayType::class, [
                'label' => 'sharing.last',
                'help' => 'sharing.last.help',
                'required' => false,
            ])
            ->add('agreedOn', DayType::class, [
                'label' => 'sharing.agreed_on',
                'constraints' => [new NotBlank(message: 'day.format')],
            ])
            ->add('agreed', CheckboxType::class, [
                'label' => 'sharing.agreed',
                'label_translation_parameters' => ['name' => $options['person']],
                'required' => false,
                'constraints' => [new IsTrue(message: 'sharing.agreed.needed')],
            ]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['attr' => ['novalidate' => 'novalidate']]);
        $resolver->setRequired(['colleagues', 'name', 'person']);
    }
}
