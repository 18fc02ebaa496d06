<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Security\PasswordRule;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\PasswordType;
use Symfony\Component\Form\Extension\Core\Type\RepeatedType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Security\Core\Validator\Constraints\UserPassword;
use Symfony\Component\Validator\Constraints\Callback;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

final class ChangePasswordForm extends AbstractType
{
    public function __construct(private readonly PasswordRule $rule)
    {
    }

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('current', PasswordType::class, [
                'label' => 'account.password.current',
                'attr' => ['autocomplete' => 'current-password'],
                'constraints' => [new UserPassword(message: 'account.password.wrong')],
            ])
            ->add('new', RepeatedType::class, [
                'type' => PasswordType::class,
                'invalid_message' => 'account.password.differ',
                'first_options' => [
                    'label' => 'account.password.new',
                    'help' => 'account.password.help',
                    'attr' => ['autocomplete' => 'new-password'],
                ],
                'second_options' => [
                    'label' => 'account.password.repeat',
                    'attr' => ['autocomplete' => 'new-password'],
                ],
                'constraints' => [
                    new Callback(function (?string $password, ExecutionContextInterface $context) use ($options): void {
                        $fault = $this->rule->fault((string) $password, $options['own']);
                        if (null !== $fault) {
                            $context->buildViolation($fault)->atPath('first')->addViolation();
                        }
                    }),
                ],
            ]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['own' => [], 'attr' => ['novalidate' => 'novalidate']]);
    }
}
