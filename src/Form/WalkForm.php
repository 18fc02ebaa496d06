<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Data\WalkData;
use LucidAscent\App\Form\Type\CentimetreType;
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
                'label' => 'What was seen',
                'choices' => [
                    'Clean: held, breath even, nothing hurt, nothing compensated, nobody\'s hands' => 'clean',
                    'Not clean' => 'not-clean',
                    'Not tried' => 'not-tried',
                ],
                'expanded' => true,
                'required' => false,
                'placeholder' => false,
                'invalid_message' => 'Choose from the list.',
            ])
            ->add('pain', PainType::class, ['label' => 'Pain during it or since'])
            ->add('compensations', ChoiceType::class, [
                'label' => 'Why not clean',
                'choices' => $options['compensations'],
                'choice_translation_domain' => false,
                'multiple' => true,
                'expanded' => true,
                'required' => false,
                'invalid_message' => 'Choose from the list.',
            ])
            ->add('why', TextType::class, [
                'label' => 'In a word',
                'required' => false,
                'attr' => ['maxlength' => 2000],
            ])
            ->add('height', CentimetreType::class, [
                'label' => Prop::HipBlock === $options['joint']
                        ? 'Height of the hip joint, front leg'
                        : 'Height of the middle of the knee',
                'help' => 'Measured, it is a reading; leave it empty when nobody measured.',
                'constraints' => [
                    new Range(
                        min: 0,
                        max: PropRule::MOST_OF_JOINT,
                        notInRangeMessage: 'This is from {{ min }} to {{ max }} cm.',
                    ),
                ],
            ])
            ->add('hangs', CheckboxType::class, ['label' => 'It hung on nothing but the prop', 'required' => false])
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
            'attr' => ['novalidate' => 'novalidate'],
        ]);
    }
}
