<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Data\ElsewhereData;
use LucidAscent\App\Form\Type\DayType;
use LucidAscent\Core\Practice\ElsewhereKind;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\EnumType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\Extension\Core\Type\IntegerType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Range;

/** A class, teaching or another sport, with its day and minutes. */
final class ElsewhereForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('what', EnumType::class, [
                'label' => 'elsewhere.what',
                'class' => ElsewhereKind::class,
                'choice_label' => static fn (ElsewhereKind $kind): string => "elsewhere.$kind->value",
                'choice_translation_domain' => 'labels',
                'required' => false,
                'placeholder' => 'elsewhere.choose',
                'invalid_message' => 'choose.listed',
            ])
            ->add('minutes', IntegerType::class, [
                'label' => 'elsewhere.minutes',
                'required' => false,
                'invalid_message' => 'elsewhere.minutes.range.plain',
            ])
            ->add('doneOn', DayType::class, [
                'label' => 'elsewhere.day',
                'required' => false,
                'constraints' => [
                    new Range(
                        min: $options['today']->modify('-1 year'),
                        max: $options['today'],
                        notInRangeMessage: 'check.day.range',
                    ),
                ],
            ])
            ->add('entry', HiddenType::class, ['mapped' => false, 'data' => $options['entry']]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults([
            'data_class' => ElsewhereData::class,
            'entry' => '',
            'csrf_protection' => true,
            'attr' => ['novalidate' => 'novalidate'],
        ]);
        $resolver->setRequired(['today']);
        $resolver->setAllowedTypes('today', \DateTimeImmutable::class);
    }

    public function getBlockPrefix(): string
    {
        return 'elsewhere';
    }
}
