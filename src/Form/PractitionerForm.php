<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\IsTrue;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\NotBlank;

final class PractitionerForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('name', TextType::class, [
                'label' => 'common.name',
                'empty_data' => '',
                'attr' => ['maxlength' => 120, 'autocomplete' => 'off'],
                'constraints' => [
                    new NotBlank(message: 'name.missing', normalizer: 'trim'),
                    new Length(max: 120, maxMessage: 'name.long'),
                ],
            ])
            ->add('consent', CheckboxType::class, [
                'label' => 'person.consent',
                'required' => false,
                'constraints' => [new IsTrue(message: 'consent.needed')],
            ])
            ->add('entry', HiddenType::class, ['data' => $options['entry']]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['entry' => '', 'attr' => ['novalidate' => 'novalidate']]);
    }
}
