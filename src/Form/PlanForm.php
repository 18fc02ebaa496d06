<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Plan\LayOut;
use LucidAscent\App\Plan\PlanningRequest;
use LucidAscent\App\Plan\RequestCodec;
use LucidAscent\Core\Plan\Equipment;
use LucidAscent\Core\Plan\PlanRequest;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\CollectionType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\Extension\Core\Type\IntegerType;
use Symfony\Component\Form\Extension\Core\Type\NumberType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\Extension\Core\Type\TimezoneType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Callback;
use Symfony\Component\Validator\Constraints\Count;
use Symfony\Component\Validator\Constraints\NotBlank;
use Symfony\Component\Validator\Constraints\Range;
use Symfony\Component\Validator\Constraints\Regex;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** The time and the props that a person has. */
final class PlanForm extends AbstractType
{
    /** So many postures may a teacher's own sequence have. */
    private const PLACES = 8;
    private const DAYS = [
        'weekday.mon' => 'mon',
        'weekday.tue' => 'tue',
        'weekday.wed' => 'wed',
        'weekday.thu' => 'thu',
        'weekday.fri' => 'fri',
        'weekday.sat' => 'sat',
        'weekday.sun' => 'sun',
    ];

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        // What the last plan was asked for, or what most people have.
        $last = $options['last'];
        $number = static fn (string $label, int $least, int $most, int $data): array => [
            'label' => $label,
            'data' => $data,
            'required' => false,
            'invalid_message' => 'number.whole',
            'attr' => ['class' => 'figure'],
            'constraints' => [
                new NotBlank(message: 'number.whole'),
                new Range(min: $least, max: $most, notInRangeMessage: 'number.between.plain'),
            ],
        ];
        $many = ['expanded' => true, 'multiple' => true, 'required' => false, 'choice_translation_domain' => false];
        $builder
            ->add('weeks', IntegerType::class, $number('plan.weeks.count', 1, PlanRequest::MOST_WEEKS,
                $last?->request->weeks ?? 8))
            ->add('days', ChoiceType::class, [
                'label' => 'plan.days',
                'choices' => self::DAYS,
                'choice_translation_domain' => 'labels',
                'data' => null === $last ? ['tue', 'thu', 'sat'] : self::named($last->request->days),
                'expanded' => true,
                'multiple' => true,
                'required' => false,
                'constraints' => [new Count(min: 1, minMessage: 'plan.days.missing')],
            ])
            ->add('sportDays', ChoiceType::class, [
                'label' => 'plan.sport',
                'choices' => self::DAYS,
                'choice_translation_domain' => 'labels',
                'data' => self::named($last?->request->sportDays ?? []),
                'expanded' => true,
                'multiple' => true,
                'required' => false,
            ])
            ->add(
                'minutes',
                IntegerType::class,
                $number('plan.minutes.session', PlanRequest::LEAST_MINUTES, PlanRequest::MOST_MINUTES,
                    $last?->request->minutes ?? 45),
            )
            ->add('blocks', IntegerType::class, $number('plan.blocks', 0, 20, $last?->request->equipment->blocks ?? 2))
            ->add('blankets', IntegerType::class, $number('plan.blankets', 0, 20, $last?->request->equipment->blankets
                ?? 3))
            ->add('flat', NumberType::class, self::size('plan.size.flat', $last->sizes['flat'] ??
                LayOut::SIZES['flat']))
            ->add('side', NumberType::class, self::size('plan.size.side', $last->sizes['side'] ??
                LayOut::SIZES['side']))
            ->add('end', NumberType::class, self::size('plan.size.end', $last->sizes['end'] ?? LayOut::SIZES['end']))
            ->add('blanket', NumberType::class, self::size('plan.size.blanket', $last->sizes['blanket'] ??
                LayOut::SIZES['blanket']))
            ->add('strap', CheckboxType::class, ['label' => 'plan.strap', 'required' => false,
                'data' => $last?->request->equipment->strap ?? true])
            ->add('there', ChoiceType::class, [
                'label' => 'plan.props',
                'choices' => array_combine(
                    array_map(static fn (string $kind): string => "equipment.$kind", Equipment::THERE_OR_NOT),
                    Equipment::THERE_OR_NOT,
                ),
                'choice_translation_domain' => 'labels',
                'data' => array_values(array_diff(Equipment::THERE_OR_NOT, $last?->request->equipment->without ?? [])),
                'expanded' => true,
                'multiple' => true,
                'required' => false,
            ])
            ->add('school', ChoiceType::class, [
                'label' => 'plan.style',
                'choices' => $options['schools'],
                'data' => $last?->school,
                'choice_translation_domain' => false,
            ])
            ->add('mixed', ChoiceType::class, [
                'label' => 'plan.style.weekend',
                'choices' => $options['schools'],
                'data' => $last?->schools[RequestCodec::DAYS['sat']] ?? null,
                'choice_translation_domain' => false,
                'placeholder' => 'plan.style.same',
                'required' => false,
            ])
            ->add(
                'pinned',
                ChoiceType::class,
                [
                    'label' => 'plan.always',
                    'choices' => $options['postures'],
                    'data' => array_values(array_intersect($last?->request->pinned ?? [], $options['postures'])),
                    'constraints' => [new Callback(self::eitherOr(...))],
                ] + $many,
            )
            ->add('forbidden', ChoiceType::class, [
                'label' => 'plan.never',
                'choices' => $options['postures'],
                'data' => array_values(array_intersect($last?->request->forbidden ?? [], $options['postures'])),
            ] + $many)
            ->add('sequence', CollectionType::class, [
                'label' => 'plan.new.sequence',
                'entry_type' => ChoiceType::class,
                'entry_options' => [
                    'choices' => $options['sequence'],
                    'required' => false,
                    'placeholder' => '–',
                    'choice_translation_domain' => false,
                ],
                'data' => array_pad(
                    array_slice(array_values(array_intersect($last?->request->sequence ?? [], $options['sequence'])),
                        0, self::PLACES),
                    self::PLACES,
                    null,
                ),
                'required' => false,
            ])
            ->add('time', TextType::class, [
                'label' => 'plan.time',
                'data' => $last->time ?? PlanningRequest::TIME,
                'attr' => ['class' => 'figure', 'autocomplete' => 'off'],
                'constraints' => [
                    new NotBlank(message: 'time.format'),
                    new Regex('/^([01]\d|2[0-3]):[0-5]\d$/', message: 'time.format'),
                ],
            ])
            ->add('zone', TimezoneType::class, [
                'label' => 'account.zone.title',
                'data' => $options['zone'],
                'intl' => false,
            ])
            ->add('entry', HiddenType::class, ['data' => $options['entry']]);
    }

    /**
     * @param list<int> $days from 1 for Monday
     *
     * @return list<string>
     */
    private static function named(array $days): array
    {
        return array_keys(array_intersect(RequestCodec::DAYS, $days));
    }

    /** @return array<string, mixed> */
    private static function size(string $label, float $data): array
    {
        return [
            'label' => $label,
            'data' => $data,
            'required' => false,
            'html5' => false,
            'invalid_message' => 'number.missing',
            'attr' => ['class' => 'figure', 'inputmode' => 'decimal'],
            'constraints' => [
                new NotBlank(message: 'number.missing'),
                new Range(min: 0.5, max: 60, notInRangeMessage: 'number.between.plain'),
            ],
        ];
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults([
            'entry' => '',
            'schools' => [],
            'postures' => [],
            'sequence' => [],
            'last' => null,
            'zone' => 'UTC',
            'attr' => ['novalidate' => 'novalidate', 'data-busy' => 'yes'],
        ]);
    }

    /** @param list<string> $pinned */
    private static function eitherOr(array $pinned, ExecutionContextInterface $context): void
    {
        $form = $context->getObject();
        if (
            $form instanceof FormInterface
            && [] !== array_intersect($pinned, (array) $form->getParent()?->get('forbidden')->getData())
        ) {
            $context->addViolation('plan.always.never');
        }
    }

    public function getBlockPrefix(): string
    {
        return 'plan';
    }
}
