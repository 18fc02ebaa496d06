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
                'label' => 'Pain, 0 to 10',
                'choices' => array_combine(range(0, 10), range(0, 10)),
                'placeholder' => 'Not asked yet',
                'required' => false,
                'invalid_message' => 'Choose a level from 0 to 10.',
            ])
            ->add('place', EnumType::class, [
                'label' => 'Where',
                'class' => PainPlace::class,
                'choices' => PainPlace::choices(),
                'choice_label' => static fn (PainPlace $place): string => 'pain.place.'.$place->value,
                'choice_translation_domain' => 'labels',
                'empty_data' => PainPlace::None->value,
                'invalid_message' => 'Choose one of the places.',
            ])
            ->add('kind', EnumType::class, [
                'label' => 'Which kind',
                'class' => PainKind::class,
                'choice_label' => static fn (PainKind $kind): string => 'pain.kind.'.$kind->value,
                'choice_translation_domain' => 'labels',
                // A kind that was not said is none of the mild ones.
                'empty_data' => PainKind::Sharp->value,
                'invalid_message' => 'Choose one of the kinds.',
            ]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['data_class' => PainData::class, 'error_bubbling' => false]);
    }
}
