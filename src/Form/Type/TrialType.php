<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Type;

use LucidAscent\App\Form\Data\TrialData;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;

final class TrialType extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('left', CentimetreType::class, ['label' => 'Left knee height'])
            ->add('heels', CentimetreType::class, ['label' => 'Heel distance'])
            ->add('right', CentimetreType::class, ['label' => 'Right knee height']);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['data_class' => TrialData::class]);
    }
}
