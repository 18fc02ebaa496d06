<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Type;

use LucidAscent\App\Form\Data\AllowanceData;
use LucidAscent\Core\Caution\Load;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;

/** How far a word in writing goes. */
final class AllowanceType extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $loads = array_map(static fn (Load $load): string => $load->value, Load::cases());
        $builder
            ->add('extent', ChoiceType::class, [
                'label' => 'What they allow',
                'choices' => [
                    'All of it' => AllowanceData::ALL,
                    'Only gentle rungs' => AllowanceData::GENTLE,
                    'A part, as said below' => AllowanceData::PART,
                    'Nothing yet' => AllowanceData::NOTHING,
                ],
                'expanded' => true,
                'required' => false,
                'placeholder' => false,
            ])
            ->add('without', ChoiceType::class, [
                'label' => 'Not allowed',
                'choices' => array_values(array_diff($loads, [Load::LyingRest->value])),
                'choice_label' => static fn (string $load): string => "load.$load",
                'choice_translation_domain' => 'labels',
                'expanded' => true,
                'multiple' => true,
                'required' => false,
            ]);
        foreach (
            [
                'kneeFlexion' => 'The knee bends up to',
                'flexion' => 'The hip folds up to',
                'rotation' => 'The thigh turns out up to',
                'abduction' => 'The thigh opens to the side up to',
            ] as $name => $label
        ) {
            $builder->add($name, DegreesType::class, ['label' => $label]);
        }
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['data_class' => AllowanceData::class, 'label' => false]);
    }
}
