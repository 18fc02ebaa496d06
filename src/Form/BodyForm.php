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
            ->add('stature', CentimetreType::class, ['label' => 'Stature', 'help' => 'Barefoot, against a wall.'])
            ->add('thighLeft', CentimetreType::class, ['label' => 'Thigh, left'])
            ->add('thighRight', CentimetreType::class, ['label' => 'Thigh, right'])
            ->add('shinLeft', CentimetreType::class, ['label' => 'Shin, left'])
            ->add('shinRight', CentimetreType::class, ['label' => 'Shin, right'])
            ->add('hipSpacing', CentimetreType::class, [
                'label' => 'Hip spacing',
                'help' => 'Between the hip joint centres: 0.72 of the distance between the two front hip bones.',
            ])
            ->add('seatedHipHeight', CentimetreType::class, [
                'label' => 'Seated hip height',
                'help' => 'Hip joint centre above the seat, sitting upright.',
            ])
            ->add('ankleAboveSole', CentimetreType::class, [
                'label' => 'Ankle above sole',
                'help' => 'Ankle centre above the sole, standing.',
            ])
            ->add('lyingHipHeight', CentimetreType::class, [
                'label' => 'Lying hip height',
                'help' => 'Hip joint centre above the mat, lying on the back.',
            ])
            ->add('kneelingHands', CentimetreType::class, [
                'label' => 'Hands, kneeling upright',
                'help' => 'Fists above the mat, thighs upright and arms hanging: how far a back bend goes is read from it.',
            ])
            ->add('seatToShoulder', CentimetreType::class, [
                'label' => 'Seat to shoulder',
                'help' => 'From the seat to the top of the shoulder, sitting tall.',
            ])
            ->add('shoulderToFingertipsLeft', CentimetreType::class, ['label' => 'Shoulder to fingertips, left'])
            ->add('shoulderToFingertipsRight', CentimetreType::class, ['label' => 'Shoulder to fingertips, right'])
            ->add('elbowToFingertipsLeft', CentimetreType::class, ['label' => 'Elbow to fingertips, left'])
            ->add('elbowToFingertipsRight', CentimetreType::class, ['label' => 'Elbow to fingertips, right'])
            ->add('confirmed', CheckboxType::class, [
                'label' => 'Measured twice: this person really is so',
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
