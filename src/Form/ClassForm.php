<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\DateType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\NotBlank;
use Symfony\Component\Validator\Constraints\NotNull;

/** What a class is called, when and where it is; its people and postures are picked beside it. */
final class ClassForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('name', TextType::class, [
                'label' => 'class.name',
                'empty_data' => '',
                'attr' => ['maxlength' => 80, 'autocomplete' => 'off'],
                'constraints' => [
                    new NotBlank(message: 'class.name.missing', normalizer: 'trim'),
                    new Length(max: 80, maxMessage: 'class.text.long'),
                ],
            ])
            ->add('heldOn', DateType::class, [
                'label' => 'common.day',
                'widget' => 'single_text',
                'input' => 'datetime_immutable',
                'invalid_message' => 'day.format',
                'constraints' => [new NotNull(message: 'clearance.day.missing')],
            ])
            ->add('place', TextType::class, [
                'label' => 'class.place',
                'required' => false,
                'empty_data' => '',
                'attr' => ['maxlength' => 80, 'autocomplete' => 'off'],
                'constraints' => [new Length(max: 80, maxMessage: 'class.text.long')],
            ])
            ->add('follow', CheckboxType::class, ['label' => 'course.follow', 'required' => false])
            ->add('version', HiddenType::class, ['empty_data' => '0'])
            ->add('entry', HiddenType::class);
        if (false === $options['is_in_course']) {
            $builder->remove('follow');
        }
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['is_in_course' => false, 'attr' => ['novalidate' => 'novalidate']]);
    }
}
