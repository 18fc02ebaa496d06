<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\Extension\Core\Type\TextareaType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\NotBlank;

final class ClearanceForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('clearedBy', TextType::class, [
                'label' => 'Who cleared it',
                'help' => 'Name and profession of the licensed clinician.',
                'empty_data' => '',
                'attr' => ['maxlength' => 160],
                'constraints' => [new NotBlank(message: 'Name the person who cleared it.', normalizer: 'trim'), new Length(max: 160, maxMessage: 'A name has up to {{ limit }} characters.')],
            ])
            ->add('reason', TextareaType::class, [
                'label' => 'What they found, and what they allow',
                'empty_data' => '',
                'attr' => ['rows' => 4, 'maxlength' => 4000],
                'constraints' => [
                    new NotBlank(message: 'Write down what was found and allowed.', normalizer: 'trim'),
                    new Length(min: 20, max: 4000, minMessage: 'A few words more: at least {{ limit }} characters.', maxMessage: 'Up to {{ limit }} characters.'),
                ],
            ])
            ->add('entry', HiddenType::class, ['mapped' => false, 'data' => $options['entry']]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['entry' => '', 'attr' => ['novalidate' => 'novalidate']]);
    }
}
