<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Type\NameType;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\IsTrue;

final class PractitionerForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('name', NameType::class)
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
