<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Data\PainData;
use LucidAscent\App\Form\Type\PainType;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Valid;

/** What hurts a day after practice, or that nothing does. */
final class DayAfterForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('pain', PainType::class, [
                'label' => 'before.pain',
                'data' => new PainData(),
                'constraints' => [new Valid()],
            ])
            ->add('side', ChoiceType::class, [
                'label' => 'pain.side',
                'choices' => ['side.left' => 'left', 'side.right' => 'right'],
                'choice_translation_domain' => 'labels',
                'placeholder' => 'pain.side.both',
                'required' => false,
                'invalid_message' => 'side.choose',
            ])
            ->add('entry', HiddenType::class, ['data' => $options['entry']]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['entry' => '', 'attr' => ['novalidate' => 'novalidate']]);
    }

    public function getBlockPrefix(): string
    {
        return 'after';
    }
}
