<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Type;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\DateType;
use Symfony\Component\OptionsResolver\OptionsResolver;

/** A day, in one field, as the browser writes it. */
final class DayType extends AbstractType
{
    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults([
            'widget' => 'single_text',
            'input' => 'datetime_immutable',
            'invalid_message' => 'day.format',
        ]);
    }

    public function getParent(): string
    {
        return DateType::class;
    }
}
