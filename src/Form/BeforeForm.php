<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Data\PainData;
use LucidAscent\App\Form\Type\DayType;
use LucidAscent\App\Form\Type\PainType;
use LucidAscent\App\Form\Type\PurposesType;
use LucidAscent\Core\Caution\Load;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\Extension\Core\Type\TextareaType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\IsTrue;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\NotNull;
use Symfony\Component\Validator\Constraints\Valid;

/**
 * What is asked before anybody is measured. No question is answered beforehand: what is on record is shown beside it,
 * and holds.
 */
final class BeforeForm extends AbstractType
{
    public function __construct(private readonly AsksOfWords $words)
    {
    }

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $many = ['expanded' => true, 'multiple' => true, 'required' => false, 'choice_translation_domain' => false];
        $builder
            ->add(
                'wanted',
                ChoiceType::class,
                [
                    'label' => 'before.wanted',
                    'choices' => $options['poses'],
                    'data' => $options['wanted'],
                ] + $many,
            )
            ->add('purposes', PurposesType::class, ['poses' => $options['poses'], 'data' => $options['purposes']])
            ->add('consent', CheckboxType::class, [
                'label' => 'before.consent',
                'required' => false,
                'constraints' => [new IsTrue(message: 'consent.needed')],
            ]);
        foreach ($options['cautions'] as $group => [$label, $choices]) {
            $builder->add(
                str_replace('-', '_', $group),
                ChoiceType::class,
                [
                    'label' => $label,
                    'choices' => $choices,
                ] + $many,
            );
        }
        foreach ($options['screenings'] as $id => $screening) {
            $builder->add(
                'points_'.str_replace('-', '_', $id),
                ChoiceType::class,
                [
                    'label' => $screening['name'],
                    'choices' => array_flip($screening['questions']),
                ] + $many,
            );
        }
        $builder
            ->add(
                'loads',
                ChoiceType::class,
                [
                    'label' => 'before.loads.label',
                    'help' => 'before.loads.help',
                    'choices' => array_filter(Load::cases(), static fn (Load $load): bool => Load::LyingRest !== $load),
                    'choice_value' => static fn (?Load $load): string => $load->value ?? '',
                    'choice_label' => static fn (Load $load): string => "load.$load->value",
                    'choice_translation_domain' => 'labels',
                ] + $many,
            )
            ->add('side', ChoiceType::class, [
                'label' => 'before.side',
                'choices' => ['side.left' => 'left', 'side.right' => 'right'],
                'choice_translation_domain' => 'labels',
                'placeholder' => 'pain.side.both',
                'required' => false,
                'invalid_message' => 'side.choose',
            ])
            ->add('eighteen', DayType::class, [
                'label' => 'before.eighteen',
                'required' => false,
            ])
            ->add('guardian', CheckboxType::class, [
                'label' => 'before.guardian',
                'required' => false,
            ])
            ->add('note', TextareaType::class, [
                'label' => 'before.note',
                'required' => false,
                'attr' => ['rows' => 3, 'maxlength' => 4000],
                'constraints' => [new Length(max: 4000)],
                'data' => $options['note'],
            ])
            ->add('pain', PainType::class, [
                'label' => 'before.pain',
                'data' => new PainData(),
                'constraints' => [new Valid()],
            ])
            ->add('warm', ChoiceType::class, [
                'label' => 'before.warm',
                'choices' => ['before.warm.yes' => true, 'history.cold' => false],
                'expanded' => true,
                'required' => false,
                'placeholder' => false,
                'constraints' => [new NotNull(message: 'before.warm.choose')],
            ])
            ->add('entry', HiddenType::class, ['data' => $options['entry']]);
        $groups = array_map(
            static fn (int|string $group): string => str_replace('-', '_', (string) $group),
            array_keys($options['cautions']),
        );
        $points = array_map(
            static fn (int|string $id): string => 'points_'.str_replace('-', '_', (string) $id),
            array_keys($options['screenings']),
        );
        $this->words->add($builder, answers: ['loads', ...$groups, ...$points]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults([
            'entry' => '',
            'poses' => [],
            'wanted' => [],
            'purposes' => [],
            'cautions' => [],
            'screenings' => [],
            'note' => '',
            'attr' => ['novalidate' => 'novalidate'],
        ]);
    }

    public function getBlockPrefix(): string
    {
        return 'before';
    }
}
