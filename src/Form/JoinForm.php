<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Type\NameType;
use LucidAscent\App\Form\Type\NewPasswordType;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;

/** What makes an account of an invitation. */
final class JoinForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('name', NameType::class)
            ->add('password', NewPasswordType::class, ['own' => $options['own']]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        // Whoever has no account has no session: the address itself is the secret.
        $resolver->setDefaults(['own' => [], 'csrf_protection' => false, 'attr' => ['novalidate' => 'novalidate']]);
    }
}
