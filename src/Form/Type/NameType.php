<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Type;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\NotBlank;

/** What somebody is called. */
final class NameType extends AbstractType
{
    private const LONGEST = 120;

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults([
            'label' => 'common.name',
            'empty_data' => '',
            'attr' => ['maxlength' => self::LONGEST, 'autocomplete' => 'off'],
            'constraints' => [
                new NotBlank(message: 'name.missing', normalizer: 'trim'),
                new Length(max: self::LONGEST, maxMessage: 'name.long'),
            ],
        ]);
    }

    public function getParent(): string
    {
        return TextType::class;
    }
}
