<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Type;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\OptionsResolver\Options;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\NotBlank;

/** A line of the teacher's own words. */
final class LineType extends AbstractType
{
    /** In characters. */
    public const LONGEST = 80;

    /** "missing" is what is said where the line is empty; without it the line may be. */
    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver
            ->setDefaults([
                'missing' => null,
                'required' => static fn (Options $options): bool => null !== $options['missing'],
                'empty_data' => '',
                'attr' => ['maxlength' => self::LONGEST, 'autocomplete' => 'off'],
                'constraints' => static fn (Options $options): array => [
                    ...null === $options['missing']
                        ? []
                        : [new NotBlank(message: $options['missing'], normalizer: 'trim')],
                    new Length(max: self::LONGEST, maxMessage: 'class.text.long'),
                ],
            ])
            ->setAllowedTypes('missing', ['string', 'null']);
    }

    public function getParent(): string
    {
        return TextType::class;
    }
}
