<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Data\CheckData;
use LucidAscent\App\Form\Type\CentimetreType;
use LucidAscent\App\Form\Type\DayType;
use LucidAscent\App\Form\Type\FeltType;
use LucidAscent\App\Form\Type\PainType;
use LucidAscent\Core\Posture\PropRule;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\Extension\Core\Type\TextareaType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\Form\FormView;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Range;

final class CheckForm extends AbstractType
{
    public function __construct(private readonly AsksOfWords $words)
    {
    }

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $yesNo = [
            'choices' => ['Yes' => true, 'No' => false],
            'expanded' => true,
            'required' => false,
            'placeholder' => false,
            'invalid_message' => 'check.yes_no',
        ];
        $builder
            ->add('practisedOn', DayType::class, [
                'label' => 'check.day',
                'constraints' => [
                    new Range(
                        min: $options['today']->modify('-1 year'),
                        max: $options['today'],
                        notInRangeMessage: 'check.day.range',
                    ),
                ],
            ])
            ->add('holdReached', ChoiceType::class, ['label' => $options['hold_question']] + $yesNo)
            ->add('evenBreath', ChoiceType::class, ['label' => 'check.breath'] + $yesNo)
            ->add('pain', PainType::class, ['label' => 'pain.legend'])
            ->add('felt', FeltType::class, $options['felt'])
            ->add('compensations', ChoiceType::class, [
                'label' => 'check.compensations',
                'choices' => $options['compensations'],
                'multiple' => true,
                'expanded' => true,
                'required' => false,
                'invalid_message' => 'choose.listed',
            ])
            ->add('height', CentimetreType::class, [
                'label' => $options['prop']->isStrap()
                    ? 'check.strap'
                    : 'check.height',
                'help' => $options['prop']->isStrap()
                    ? 'check.strap.help'
                    : 'check.height.help',
                'constraints' => [
                    new Range(
                        min: 0,
                        max: $options['prop']->most(),
                        notInRangeMessage: 'number.between.cm',
                    ),
                ],
            ])
            ->add('soreAtNight', CheckboxType::class, [
                'label' => 'check.sore',
                'required' => false,
            ])
            ->add('note', TextareaType::class, [
                'label' => 'common.note',
                'required' => false,
                'attr' => ['rows' => 2, 'maxlength' => 2000],
            ])
            ->add('rung', HiddenType::class, ['mapped' => false, 'data' => $options['rung']])
            ->add('entry', HiddenType::class, ['mapped' => false, 'data' => $options['entry']]);
        $this->words->add($builder);
    }

    public function finishView(FormView $view, FormInterface $form, array $options): void
    {
        if (PropRule::None === $options['prop']) {
            unset($view['height']);
        }
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults([
            'data_class' => CheckData::class,
            'entry' => '',
            'rung' => '',
            'hold_question' => 'check.hold.plain',
            'prop' => PropRule::None,
            'compensations' => [],
            'felt' => [],
            'attr' => ['novalidate' => 'novalidate'],
        ]);
        $resolver->setRequired(['today']);
        $resolver->setAllowedTypes('today', \DateTimeImmutable::class);
    }
}
