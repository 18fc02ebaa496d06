<?php

declare(strict_types=1);

namespace LucidAscent\App\Bench;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;

/** One trial of a test on the bench: each number as text, so that what was typed comes back as it was. */
final class BenchTrialType extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $test = $options['test'];
        assert($test instanceof BenchTest);
        foreach ($test->fields as $field) {
            if (null !== $field->side && !in_array($field->side, $options['sides'], true)) {
                continue;
            }
            if ('yes or no' === $field->unit) {
                $builder->add($field->name(), ChoiceType::class, [
                    'label' => $field->label,
                    'choices' => ['Yes' => '1', 'No' => '0'],
                    'placeholder' => 'pain.unasked',
                    'required' => false,
                ]);
            } else {
                $builder->add($field->name(), TextType::class, [
                    'label' => $field->label,
                    'required' => false,
                    'attr' => [
                        'inputmode' => 'decimal',
                        'autocomplete' => 'off',
                        'class' => 'figure',
                        'data-side' => $field->side->value ?? '',
                        'data-unit' => $field->unit,
                        'data-measure' => $field->measure,
                    ],
                ]);
            }
        }
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['sides' => []])->setRequired('test');
    }
}
