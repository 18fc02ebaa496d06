<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Data\PainData;
use LucidAscent\App\Form\Type\CentimetreType;
use LucidAscent\App\Form\Type\PainType;
use LucidAscent\Core\Body\Proportions;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Callback;
use Symfony\Component\Validator\Constraints\IsTrue;
use Symfony\Component\Validator\Constraints\NotNull;
use Symfony\Component\Validator\Constraints\Range;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

/** Four minutes with one person of a class: stature, two tests read once each, and the questions that stop. */
final class QuickScreenForm extends AbstractType
{
    /** Each number, by the test and the value that it is of; heels are shared by both sides. */
    public const NUMBERS = [
        'solesKneeLeft' => ['Soles together, left knee', 'soles-together', 'kneeHeight', 'left'],
        'solesHeels' => ['Groin to heels', 'soles-together', 'heelDistance', null],
        'solesKneeRight' => ['Soles together, right knee', 'soles-together', 'kneeHeight', 'right'],
        'shinsKneeLeft' => ['Shins stacked, left knee', 'shins-stacked', 'kneeHeight', 'left'],
        'shinsAnkleLeft' => ['Shins stacked, left ankle', 'shins-stacked', 'ankleHeight', 'left'],
        'shinsKneeRight' => ['Shins stacked, right knee', 'shins-stacked', 'kneeHeight', 'right'],
        'shinsAnkleRight' => ['Shins stacked, right ankle', 'shins-stacked', 'ankleHeight', 'right'],
    ];

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder->add('consent', CheckboxType::class, [
            'label' => 'Agrees to be measured and asked today, and knows that every test may be ended at any time',
            'required' => false,
            'constraints' => [new IsTrue(message: 'Without this agreement nobody is measured here.')],
        ]);
        foreach (['stops' => 'Does any of this apply today?', 'clinician' => 'Known from before?'] as $name => $label) {
            $builder->add($name, ChoiceType::class, [
                'label' => $label,
                'choices' => $options[$name],
                'choice_translation_domain' => false,
                'expanded' => true,
                'multiple' => true,
                'required' => false,
            ]);
        }
        $builder->add('stature', CentimetreType::class, [
            'label' => 'Stature',
            'data' => $options['stature'],
            'constraints' => [
                new NotNull(message: 'Stature is needed: every length that is not measured is estimated from it.'),
                new Range(
                    min: Proportions::LEAST_STATURE,
                    max: Proportions::GREATEST_STATURE,
                    notInRangeMessage: 'Stature is from {{ min }} to {{ max }} cm.',
                ),
            ],
        ]);
        foreach (self::NUMBERS as $name => [$label]) {
            $builder->add($name, CentimetreType::class, ['label' => $label]);
        }
        foreach (['Left', 'Right'] as $side) {
            $builder->add("pain$side", PainType::class, [
                'label' => "Pain, $side side",
                'data' => new PainData(),
                'constraints' => [
                    new Callback(static function (PainData $pain, ExecutionContextInterface $context): void {
                        if (null !== $pain->level) {
                            $pain->placeIsNamed($context);
                        }
                    }),
                ],
            ]);
        }
        $builder->add('entry', HiddenType::class, ['data' => $options['entry']]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults([
            'entry' => '',
            'stature' => null,
            'stops' => [],
            'clinician' => [],
            'attr' => ['novalidate' => 'novalidate'],
        ]);
    }

    public function getBlockPrefix(): string
    {
        return 'screen';
    }
}
