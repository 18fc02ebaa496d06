<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Data\AllowanceData;
use LucidAscent\App\Form\Type\AllowanceType;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Hold;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\DateType;
use Symfony\Component\Form\Extension\Core\Type\EnumType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\Extension\Core\Type\TextareaType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Count;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\NotBlank;
use Symfony\Component\Validator\Constraints\NotNull;
use Symfony\Component\Validator\Constraints\Range;

/** A word in writing: what it lifts, who gave it, on what day, and what they allow. */
final class ClearanceForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('names', ChoiceType::class, [
                'label' => 'What it lifts',
                'choices' => array_map(static fn (Hold $hold): string => $hold->id(), $options['holds']),
                'choice_label' => static fn (string $id, int|string $i): string => self::label($options['holds'][$i]),
                'choice_translation_domain' => false,
                'expanded' => true,
                'multiple' => true,
                'required' => false,
                'invalid_message' => 'What it lifts is not held any more.',
                'constraints' => [new Count(min: 1, minMessage: 'Choose what the word lifts.')],
            ])
            ->add('word', EnumType::class, [
                'label' => 'Whose word',
                'class' => ClearanceAuthority::class,
                'choice_label' => static fn (ClearanceAuthority $word): string => 'word.'.$word->value,
                'choice_translation_domain' => 'labels',
                'expanded' => true,
                'required' => false,
                'placeholder' => false,
                'constraints' => [new NotNull(message: 'Choose whose word it is.')],
            ])
            ->add('clearedBy', TextType::class, [
                'label' => 'Name',
                'empty_data' => '',
                'attr' => ['maxlength' => 160],
                'constraints' => [
                    new NotBlank(message: 'Name the person who cleared it.', normalizer: 'trim'),
                    new Length(max: 160, maxMessage: 'A name has up to {{ limit }} characters.'),
                ],
            ])
            ->add('profession', TextType::class, [
                'label' => 'Profession',
                'help' => 'For example physiotherapist or doctor; yoga teacher if the word is your own.',
                'empty_data' => '',
                'attr' => ['maxlength' => 80],
                'constraints' => [
                    new NotBlank(message: 'Say what they are by profession.', normalizer: 'trim'),
                    new Length(max: 80, maxMessage: 'A profession has up to {{ limit }} characters.'),
                ],
            ])
            ->add('givenOn', DateType::class, [
                'label' => 'On what day',
                'widget' => 'single_text',
                'input' => 'datetime_immutable',
                'invalid_message' => 'Write the day as year-month-day.',
                'data' => $options['today'],
                'constraints' => [
                    new NotNull(message: 'Say on what day.'),
                    new Range(max: $options['today'], maxMessage: 'That day has not been yet.'),
                ],
            ])
            ->add('allowance', AllowanceType::class, ['data' => new AllowanceData()])
            ->add('allows', TextareaType::class, [
                'label' => 'What they found and allowed, in their words',
                'empty_data' => '',
                'attr' => ['rows' => 4, 'maxlength' => 4000],
                'constraints' => [
                    new NotBlank(message: 'Write down what was found and allowed.', normalizer: 'trim'),
                    new Length(
                        min: 20,
                        max: 4000,
                        minMessage: 'A few words more: at least {{ limit }} characters.',
                        maxMessage: 'Up to {{ limit }} characters.',
                    ),
                ],
            ])
            ->add('asked', CheckboxType::class, [
                'label' => 'Asked today: no pain since; stairs and squatting down are free',
                'required' => false,
            ])
            ->add('entry', HiddenType::class, ['mapped' => false, 'data' => $options['entry']]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['entry' => '', 'holds' => [], 'attr' => ['novalidate' => 'novalidate']]);
        $resolver->setRequired(['today']);
    }

    private static function label(Hold $hold): string
    {
        return sprintf(
            '%s, %s, %s',
            $hold->holds->name,
            $hold->side->value ?? 'both sides',
            $hold->entry->on()->format('Y-m-d'),
        );
    }
}
