<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Type;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\OptionsResolver\OptionsResolver;

/** An angle in degrees, typed as a length is. */
final class DegreesType extends AbstractType
{
    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['invalid_message' => 'number.degrees']);
    }

    public function getParent(): string
    {
        return CentimetreType::class;
    }
}
