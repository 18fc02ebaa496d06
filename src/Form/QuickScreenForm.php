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
        'solesKneeLeft' => ['screen.soles.left', 'soles-together', 'kneeHeight', 'left'],
        'solesHeels' => ['screen.soles.heels', 'soles-together', 'heelDistance', null],
        'solesKneeRight' => ['screen.soles.right', 'soles-together', 'kneeHeight', 'right'],
        'shinsKneeLeft' => ['screen.shins.knee.left', 'shins-stacked', 'kneeHeight', 'left'],
        'shinsAnkleLeft' => ['screen.shins.ankle.left', 'shins-stacked', 'ankleHeight', 'left'],
        'shinsKneeRight' => ['screen.shins.knee.right', 'shins-stacked', 'kneeHeight', 'right'],
        'shinsAnkleRight' => ['screen.shins.ankle.right', 'shins-stacked', 'ankleHeight', 'right'],
    ];

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder->add('consent', CheckboxType::class, [
            'label' => 'before.consent',
            'required' => false,
            'constraints' => [new IsTrue(message: 'consent.needed')],
        ]);
        foreach (['stops' => 'screen.stops', 'clinician' => 'screen.known'] as $name => $label) {
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
            'label' => 'body.stature',
            'data' => $options['stature'],
            'constraints' => [
                new NotNull(message: 'body.stature.missing'),
                new Range(
                    min: Proportions::LEAST_STATURE,
                    max: Proportions::GREATEST_STATURE,
                    notInRangeMessage: 'body.stature.range',
                ),
            ],
        ]);
        foreach (self::NUMBERS as $name => [$label]) {
            $builder->add($name, CentimetreType::class, ['label' => $label]);
        }
        foreach (['Left', 'Right'] as $side) {
            $builder->add("pain$side", PainType::class, [
                'label' => "screen.pain.$side",
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
