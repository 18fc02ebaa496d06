<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Entity\Studio;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Length;

final class StudioForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('name', TextType::class, [
                'label' => 'studio.name',
                'required' => false,
                'empty_data' => '',
                'attr' => ['maxlength' => Studio::LONGEST_NAME, 'autocomplete' => 'organization'],
                'constraints' => [new Length(max: Studio::LONGEST_NAME, maxMessage: 'name.long')],
            ])
            ->add('ownersProveTwice', CheckboxType::class, ['label' => 'studio.prove_twice', 'required' => false]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['attr' => ['novalidate' => 'novalidate']]);
    }
}
