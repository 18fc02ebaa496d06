<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Data\AllowanceData;
use LucidAscent\App\Form\Type\AllowanceType;
use LucidAscent\App\Form\Type\DayType;
use LucidAscent\App\Text\ConditionName;
use LucidAscent\App\Text\DayText;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Hold;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\EnumType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\Extension\Core\Type\TextareaType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Translation\TranslatableMessage;
use Symfony\Component\Validator\Constraints\Count;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\NotBlank;
use Symfony\Component\Validator\Constraints\NotNull;
use Symfony\Component\Validator\Constraints\Range;

/** A word in writing: what it lifts, who gave it, on what day, and what they allow. */
final class ClearanceForm extends AbstractType
{
    public function __construct(private readonly ConditionName $conditions, private readonly DayText $days)
    {
    }

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('names', ChoiceType::class, [
                'label' => 'clearance.names',
                'choices' => array_map(static fn (Hold $hold): string => $hold->id(), $options['holds']),
                'choice_label' => fn (string $id, int|string $i): TranslatableMessage => $this->label(
                    $options['holds'][$i],
                ),
                'choice_translation_domain' => false,
                'expanded' => true,
                'multiple' => true,
                'required' => false,
                'invalid_message' => 'clearance.names.gone',
                'constraints' => [new Count(min: 1, minMessage: 'clearance.names.choose')],
            ])
            ->add('word', EnumType::class, [
                'label' => 'clearance.who',
                'class' => ClearanceAuthority::class,
                'choice_label' => static fn (ClearanceAuthority $word): string => 'word.'.$word->value,
                'choice_translation_domain' => 'labels',
                'expanded' => true,
                'required' => false,
                'placeholder' => false,
                'constraints' => [new NotNull(message: 'clearance.who.choose')],
            ])
            ->add('clearedBy', TextType::class, [
                'label' => 'common.name',
                'empty_data' => '',
                'attr' => ['maxlength' => 160],
                'constraints' => [
                    new NotBlank(message: 'clearance.by.missing', normalizer: 'trim'),
                    new Length(max: 160, maxMessage: 'name.long'),
                ],
            ])
            ->add('profession', TextType::class, [
                'label' => 'clearance.profession',
                'help' => 'clearance.profession.help',
                'empty_data' => '',
                'attr' => ['maxlength' => 80],
                'constraints' => [
                    new NotBlank(message: 'clearance.profession.missing', normalizer: 'trim'),
                    new Length(max: 80, maxMessage: 'clearance.profession.long'),
                ],
            ])
            ->add('givenOn', DayType::class, [
                'label' => 'clearance.day',
                'data' => $options['today'],
                'constraints' => [
                    new NotNull(message: 'clearance.day.missing'),
                    new Range(max: $options['today'], maxMessage: 'day.future'),
                ],
            ])
            ->add('allowance', AllowanceType::class, ['data' => new AllowanceData()])
            ->add('allows', TextareaType::class, [
                'label' => 'clearance.allows',
                'empty_data' => '',
                'attr' => ['rows' => 4, 'maxlength' => 4000],
                'constraints' => [
                    new NotBlank(message: 'clearance.allows.missing', normalizer: 'trim'),
                    new Length(
                        min: 20,
                        max: 4000,
                        minMessage: 'text.short',
                        maxMessage: 'text.long',
                    ),
                ],
            ])
            ->add('asked', CheckboxType::class, [
                'label' => 'clearance.asked',
                'required' => false,
            ])
            ->add('entry', HiddenType::class, ['mapped' => false, 'data' => $options['entry']]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['entry' => '', 'holds' => [], 'attr' => ['novalidate' => 'novalidate']]);
        $resolver->setRequired(['today']);
    }

    private function label(Hold $hold): TranslatableMessage
    {
        return new TranslatableMessage('clearance.hold', [
            'name' => $this->conditions->of($hold->holds),
            'side' => $hold->side->value ?? 'both',
            'day' => $this->days->text($hold->entry->on(), 'j M Y'),
        ]);
    }
}
