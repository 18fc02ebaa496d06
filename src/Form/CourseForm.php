<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Type\DayType;
use LucidAscent\App\Form\Type\LineType;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\Extension\Core\Type\IntegerType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\NotNull;
use Symfony\Component\Validator\Constraints\Range;

/** The days of a course: from when, how far apart, and what each is about. */
final class CourseForm extends AbstractType
{
    /** In days of a course. */
    public const MOST = 12;
    /** In days between one and the next. */
    private const FURTHEST = 28;
    /** A course further away than this is a slip of the pen. */
    private const AHEAD = '+2 years';

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('name', LineType::class, ['label' => 'class.name', 'missing' => 'class.name.missing'])
            ->add('firstOn', DayType::class, [
                'label' => 'course.first',
                'constraints' => [
                    new NotNull(message: 'clearance.day.missing'),
                    new Range(
                        notInRangeMessage: 'course.first.range',
                        min: $options['today'],
                        max: $options['today']->modify(self::AHEAD),
                    ),
                ],
            ])
            ->add('apart', IntegerType::class, [
                'label' => 'course.apart',
                'invalid_message' => 'course.apart.range',
                'constraints' => [
                    new NotNull(message: 'course.apart.range'),
                    new Range(notInRangeMessage: 'course.apart.range', min: 1, max: self::FURTHEST),
                ],
            ])
            ->add('entry', HiddenType::class);
        foreach (range(1, self::MOST) as $day) {
            $builder->add("theme$day", ChoiceType::class, [
                'label' => 'course.theme.of',
                'label_translation_parameters' => ['day' => $day],
                'choices' => $options['themes'],
                'invalid_message' => 'course.theme.unknown',
                'choice_translation_domain' => false,
                'placeholder' => 'course.theme.none',
                'required' => false,
                'constraints' => 1 === $day ? [new NotNull(message: 'course.theme.missing')] : [],
            ]);
        }
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver
            ->setRequired(['today', 'themes'])
            ->setAllowedTypes('today', \DateTimeImmutable::class)
            ->setDefaults(['attr' => ['novalidate' => 'novalidate']]);
    }
}
