<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Type\NewPasswordType;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\NotBlank;

/** What makes an account of an invitation. */
final class JoinForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('name', TextType::class, [
                'label' => 'common.name',
                'empty_data' => '',
                'attr' => ['maxlength' => 120, 'autocomplete' => 'name'],
                'constraints' => [
                    new NotBlank(message: 'name.missing', normalizer: 'trim'),
                    new Length(max: 120, maxMessage: 'name.long'),
                ],
            ])
            ->add('password', NewPasswordType::class, ['own' => $options['own']]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        // Whoever has no account has no session: the address itself is the secret.
        $resolver->setDefaults(['own' => [], 'csrf_protection' => false, 'attr' => ['novalidate' => 'novalidate']]);
    }
}
