<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Type;

use LucidAscent\App\Security\PasswordRule;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\PasswordType;
use Symfony\Component\Form\Extension\Core\Type\RepeatedType;
use Symfony\Component\OptionsResolver\Options;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Callback;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** A password that is thought out now: typed twice, and no easy one. */
final class NewPasswordType extends AbstractType
{
    public function __construct(private readonly PasswordRule $rule)
    {
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults([
            // What anybody can know of whose it is: name and address.
            'own' => [],
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
            'constraints' => fn (Options $options): array => [
                new Callback(function (?string $password, ExecutionContextInterface $context) use ($options): void {
                    $fault = $this->rule->fault((string) $password, $options['own']);
                    if (null !== $fault) {
                        $context->buildViolation($fault)->atPath('first')->addViolation();
                    }
                }),
            ],
        ]);
    }

    public function getParent(): string
    {
        return RepeatedType::class;
    }
}
