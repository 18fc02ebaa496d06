<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Data\BodyData;
use LucidAscent\App\Form\Type\CentimetreType;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;

final class BodyForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('stature', CentimetreType::class, ['label' => 'body.stature', 'help' => 'body.stature.help'])
            ->add('thighLeft', CentimetreType::class, ['label' => 'body.thigh.left'])
            ->add('thighRight', CentimetreType::class, ['label' => 'body.thigh.right'])
            ->add('shinLeft', CentimetreType::class, ['label' => 'body.shin.left'])
            ->add('shinRight', CentimetreType::class, ['label' => 'body.shin.right'])
            ->add('hipSpacing', CentimetreType::class, [
                'label' => 'body.hipSpacing',
                'help' => 'body.hipSpacing.help',
            ])
            ->add('seatedHipHeight', CentimetreType::class, [
                'label' => 'body.seatedHipHeight',
                'help' => 'body.seatedHipHeight.help',
            ])
            ->add('ankleAboveSole', CentimetreType::class, [
                'label' => 'body.ankleAboveSole',
                'help' => 'body.ankleAboveSole.help',
            ])
            ->add('lyingHipHeight', CentimetreType::class, [
                'label' => 'body.lyingHipHeight',
                'help' => 'body.lyingHipHeight.help',
            ])
            ->add('kneelingHands', CentimetreType::class, [
                'label' => 'body.kneelingHands',
                'help' => 'body.kneelingHands.help',
            ])
            ->add('seatToShoulder', CentimetreType::class, [
                'label' => 'body.seatToShoulder',
                'help' => 'body.seatToShoulder.help',
            ])
            ->add('shoulderToFingertipsLeft', CentimetreType::class, ['label' => 'body.shoulderToFingertips.left'])
            ->add('shoulderToFingertipsRight', CentimetreType::class, ['label' => 'body.shoulderToFingertips.right'])
            ->add('elbowToFingertipsLeft', CentimetreType::class, ['label' => 'body.elbowToFingertips.left'])
            ->add('elbowToFingertipsRight', CentimetreType::class, ['label' => 'body.elbowToFingertips.right'])
            ->add('confirmed', CheckboxType::class, [
                'label' => 'body.confirm',
                'required' => false,
            ])
            ->add('entry', HiddenType::class, ['mapped' => false, 'data' => $options['entry']]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults([
            'data_class' => BodyData::class,
            'entry' => '',
            'attr' => ['novalidate' => 'novalidate'],
        ]);
    }
}
