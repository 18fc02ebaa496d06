<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Type;

use LucidAscent\Core\Posture\Purpose;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\EnumType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;

/** What each pose is wanted for, by its id. */
final class PurposesType extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        foreach ($options['poses'] as $name => $id) {
            $builder->add($id, EnumType::class, [
                'class' => Purpose::class,
                'label' => $name,
                'choice_label' => static fn (Purpose $purpose): string => "purpose.$purpose->value",
                'choice_translation_domain' => 'labels',
                'required' => false,
                'placeholder' => 'purpose.any',
                'invalid_message' => 'choose.listed',
            ]);
        }
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['poses' => [], 'label' => false]);
    }
}
