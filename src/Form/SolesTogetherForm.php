<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Data\SolesTogetherData;
use LucidAscent\App\Form\Type\CentimetreType;
use LucidAscent\App\Form\Type\PainType;
use LucidAscent\App\Form\Type\TrialType;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CollectionType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;

final class SolesTogetherForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('seat', CentimetreType::class, ['label' => 'Seat height'])
            ->add('trials', CollectionType::class, ['entry_type' => TrialType::class, 'label' => false])
            ->add('painLeft', PainType::class, ['label' => 'Left'])
            ->add('painRight', PainType::class, ['label' => 'Right'])
            ->add('entry', HiddenType::class, ['mapped' => false, 'data' => $options['entry']]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['data_class' => SolesTogetherData::class, 'entry' => '', 'attr' => ['novalidate' => 'novalidate']]);
    }
}
