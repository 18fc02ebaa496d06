<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Type\LineType;
use LucidAscent\Core\Body\Side;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\EnumType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\NotNull;

/** Which rung, which two set-ups of it, and what is measured. */
final class WaysForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('rung', ChoiceType::class, [
                'label' => 'ways.rung',
                'choices' => $options['rungs'],
                'choice_translation_domain' => false,
                'placeholder' => 'elsewhere.choose',
                'invalid_message' => 'choose.listed',
                'constraints' => [new NotNull(message: 'ways.rung.missing')],
            ])
            ->add('side', EnumType::class, [
                'label' => 'common.side',
                'class' => Side::class,
                'choice_label' => static fn (Side $side): string => "side.$side->value",
                'choice_translation_domain' => 'labels',
                'placeholder' => 'elsewhere.choose',
                'invalid_message' => 'choose.listed',
                'constraints' => [new NotNull(message: 'ways.side.missing')],
            ])
            ->add('first', LineType::class, [
                'label' => 'ways.first',
                'help' => 'ways.first.help',
                'missing' => 'ways.first.missing',
            ])
            ->add('second', LineType::class, [
                'label' => 'ways.second',
                'help' => 'ways.second.help',
                'missing' => 'ways.second.missing',
            ])
            ->add('measured', LineType::class, [
                'label' => 'ways.measured',
                'help' => 'ways.measured.help',
                'missing' => 'ways.measured.missing',
            ])
            ->add('entry', HiddenType::class, ['data' => $options['entry']]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setRequired(['rungs', 'entry'])->setDefaults(['attr' => ['novalidate' => 'novalidate']]);
    }
}
