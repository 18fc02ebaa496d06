<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Data\WalkData;
use LucidAscent\App\Form\Type\CentimetreType;
use LucidAscent\App\Form\Type\FeltType;
use LucidAscent\App\Form\Type\PainType;
use LucidAscent\Core\LegChain\Prop;
use LucidAscent\Core\Posture\PropRule;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\Form\FormView;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Range;

/** One rung, one side: clean, not clean and why, not tried; and what hurt. */
final class WalkForm extends AbstractType
{
    public function __construct(private readonly AsksOfWords $words)
    {
    }

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('seen', ChoiceType::class, [
                'label' => 'try.seen',
                'choices' => [
                    'try.clean' => 'clean',
                    'try.not_clean' => 'not-clean',
                    'try.not_tried' => 'not-tried',
                ],
                'expanded' => true,
                'required' => false,
                'placeholder' => false,
                'invalid_message' => 'choose.listed',
            ])
            ->add('pain', PainType::class, ['label' => 'pain.legend'])
            ->add('felt', FeltType::class, $options['felt'])
            ->add('compensations', ChoiceType::class, [
                'label' => 'try.why_not',
                'choices' => $options['compensations'],
                'choice_translation_domain' => false,
                'multiple' => true,
                'expanded' => true,
                'required' => false,
                'invalid_message' => 'choose.listed',
            ])
            ->add('why', TextType::class, [
                'label' => 'try.note',
                'required' => false,
                'attr' => ['maxlength' => 2000],
            ])
            ->add('height', CentimetreType::class, [
                'label' => Prop::HipBlock === $options['joint']
                        ? 'try.height.hip'
                        : 'try.height',
                'help' => 'try.height.help',
                'constraints' => [
                    new Range(
                        min: 0,
                        max: PropRule::MOST_OF_JOINT,
                        notInRangeMessage: 'number.between.cm',
                    ),
                ],
            ])
            ->add('hangs', CheckboxType::class, ['label' => 'try.hangs', 'required' => false])
            ->add('entry', HiddenType::class, ['mapped' => false, 'data' => $options['entry']]);
        $this->words->add($builder, 'why');
    }

    public function finishView(FormView $view, FormInterface $form, array $options): void
    {
        if (null === $options['joint']) {
            unset($view['height'], $view['hangs']);
        }
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults([
            'data_class' => WalkData::class,
            'entry' => '',
            'joint' => null,
            'compensations' => [],
            'felt' => [],
            'attr' => ['novalidate' => 'novalidate'],
        ]);
    }
}
