<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\Core\Testing\ToolErrors;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\Extension\Core\Type\NumberType;
use Symfony\Component\Form\Extension\Core\Type\TextareaType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\NotNull;
use Symfony\Component\Validator\Constraints\Range;

/** How far each tool is off, one standard deviation. */
final class ToolErrorsForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        foreach (array_keys(ToolErrors::DEFAULTS) as $name) {
            $builder->add($name, NumberType::class, [
                'label' => 'toolError.'.$name,
                'translation_domain' => 'labels',
                'scale' => 2,
                'required' => false,
                'invalid_message' => 'number.any',
                'attr' => ['inputmode' => 'decimal', 'autocomplete' => 'off', 'class' => 'figure'],
                'constraints' => [
                    new NotNull(message: 'number.any'),
                    new Range(
                        min: ToolErrors::LEAST,
                        max: ToolErrors::MOST,
                        notInRangeMessage: 'tools.range',
                    ),
                ],
            ]);
        }
        $builder
            ->add('repeatsOf', ChoiceType::class, [
                'mapped' => false,
                'label' => 'tools.repeats.of',
                'choices' => array_keys(ToolErrors::DEFAULTS),
                'choice_label' => static fn (string $name): string => 'toolError.'.$name,
                'choice_translation_domain' => 'labels',
            ])
            ->add('repeats', TextareaType::class, [
                'mapped' => false,
                'label' => 'tools.repeats.lines',
                'required' => false,
                'attr' => ['rows' => 4, 'maxlength' => 4000],
            ]);
        $builder->add('entry', HiddenType::class, ['mapped' => false, 'data' => $options['entry']]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['entry' => '', 'attr' => ['novalidate' => 'novalidate']]);
    }

    public function getBlockPrefix(): string
    {
        return 'tools';
    }
}
