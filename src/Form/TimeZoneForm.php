<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\TimezoneType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\NotBlank;

/** By whose clock a teacher's days are counted. */
final class TimeZoneForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder->add('zone', TimezoneType::class, [
            'label' => 'account.zone.label',
            'placeholder' => 'account.zone.place',
            'intl' => false,
            'invalid_message' => 'account.zone.choose',
            'constraints' => [new NotBlank(message: 'account.zone.choose')],
        ]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['attr' => ['novalidate' => 'novalidate']]);
    }
}
