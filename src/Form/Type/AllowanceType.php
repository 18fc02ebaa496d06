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
                'label' => 'clearance.extent',
                'choices' => [
                    'clearance.extent.all' => AllowanceData::ALL,
                    'clearance.extent.gentle' => AllowanceData::GENTLE,
                    'clearance.extent.part' => AllowanceData::PART,
                    'clearance.extent.nothing' => AllowanceData::NOTHING,
                ],
                'expanded' => true,
                'required' => false,
                'placeholder' => false,
            ])
            ->add('without', ChoiceType::class, [
                'label' => 'clearance.without',
                'choices' => array_values(array_diff($loads, [Load::LyingRest->value])),
                'choice_label' => static fn (string $load): string => "load.$load",
                'choice_translation_domain' => 'labels',
                'expanded' => true,
                'multiple' => true,
                'required' => false,
            ]);
        foreach (
            [
                'kneeFlexion' => 'clearance.knee',
                'flexion' => 'clearance.hip',
                'rotation' => 'clearance.rotation',
                'abduction' => 'clearance.abduction',
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
