<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Entity\Role;
use LucidAscent\App\Form\Type\NameType;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\EmailType;
use Symfony\Component\Form\Extension\Core\Type\EnumType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Email;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\NotBlank;

/** Whom a studio asks to come, and as what. */
final class InviteForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('name', NameType::class)
            ->add('email', EmailType::class, [
                'label' => 'studio.email',
                'empty_data' => '',
                'attr' => ['maxlength' => 180, 'autocomplete' => 'off'],
                'constraints' => [
                    new NotBlank(message: 'studio.email.wrong', normalizer: 'trim'),
                    new Email(message: 'studio.email.wrong', mode: Email::VALIDATION_MODE_HTML5),
                    new Length(max: 180, maxMessage: 'studio.email.wrong'),
                ],
            ])
            ->add('role', EnumType::class, [
                'label' => 'studio.role',
                'class' => Role::class,
                'choices' => Role::given(),
                'choice_label' => static fn (Role $role): string => "role.$role->value",
                'choice_translation_domain' => 'labels',
                'placeholder' => 'common.choose',
                'invalid_message' => 'choose.listed',
                'constraints' => [new NotBlank(message: 'choose.listed')],
            ]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['attr' => ['novalidate' => 'novalidate']]);
    }
}
