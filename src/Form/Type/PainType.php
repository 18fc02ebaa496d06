<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Type;

use LucidAscent\App\Form\Data\PainData;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\EnumType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;

final class PainType extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('level', ChoiceType::class, [
                'label' => 'pain.level',
                'choices' => array_combine(range(0, 10), range(0, 10)),
                'placeholder' => 'pain.unasked',
                'required' => false,
                'invalid_message' => 'pain.level.choose',
            ])
            ->add('place', EnumType::class, [
                'label' => 'pain.where',
                'class' => PainPlace::class,
                'choices' => PainPlace::choices(),
                'choice_label' => static fn (PainPlace $place): string => 'pain.place.'.$place->value,
                'choice_translation_domain' => 'labels',
                'empty_data' => PainPlace::None->value,
                'invalid_message' => 'pain.where.choose',
            ])
            ->add('kind', EnumType::class, [
                'label' => 'pain.kind',
                'class' => PainKind::class,
                'choice_label' => static fn (PainKind $kind): string => 'pain.kind.'.$kind->value,
                'choice_translation_domain' => 'labels',
                // A kind that was not said is none of the mild ones.
                'empty_data' => PainKind::Sharp->value,
                'invalid_message' => 'pain.kind.choose',
            ]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['data_class' => PainData::class, 'error_bubbling' => false]);
    }
}
