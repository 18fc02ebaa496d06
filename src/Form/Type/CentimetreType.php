<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Type;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\CallbackTransformer;
use Symfony\Component\Form\Exception\TransformationFailedException;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;

/** A length in cm. A comma is taken for a decimal point, never for a thousand. */
final class CentimetreType extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder->addModelTransformer(new CallbackTransformer(
            static fn (?float $cm): string => null === $cm ? '' : (string) round($cm, 3),
            static function (?string $text): ?float {
                $text = trim((string) $text);
                if ('' === $text) {
                    return null;
                }
                if (1 !== preg_match('/^-?\d{1,6}([.,]\d{1,4})?$/', $text)) {
                    throw new TransformationFailedException();
                }

                return (float) str_replace(',', '.', $text);
            },
        ));
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults([
            'required' => false,
            'invalid_message' => 'number.cm',
            'attr' => ['inputmode' => 'decimal', 'autocomplete' => 'off', 'class' => 'figure'],
        ]);
    }

    public function getParent(): string
    {
        return TextType::class;
    }
}
