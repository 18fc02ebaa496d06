<?php

declare(strict_types=1);

namespace LucidAscent\App\Bench;

use LucidAscent\App\Form\AsksOfWords;
use LucidAscent\App\Form\Type\PainType;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Testing\Tool;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\CollectionType;
use Symfony\Component\Form\Extension\Core\Type\EnumType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\Extension\Core\Type\TextareaType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;

/** Any test of the catalogue, with the fields that it says it needs. */
final class BenchForm extends AbstractType
{
    private const SIDES = ['left' => 'Left', 'right' => 'Right'];

    public function __construct(private readonly AsksOfWords $words)
    {
    }

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $data = $options['data'];
        if (!$data instanceof BenchData) {
            throw new \LogicException('A test on the bench is needed.');
        }
        $test = $data->test;
        $builder->add('trials', CollectionType::class, [
            'entry_type' => BenchTrialType::class,
            'entry_options' => ['test' => $test, 'sides' => $data->sides],
            'label' => false,
        ]);
        $tools = [Tool::Tape, Tool::Inclinometer, Tool::Photo, Tool::Observation];
        if ($test->hasLength()) {
            $builder->add('unit', ChoiceType::class, [
                'label' => 'bench.unit',
                'choices' => array_combine(ReadingText::UNITS, ReadingText::UNITS),
                'expanded' => true,
                'empty_data' => ReadingText::UNITS[0],
            ]);
        }
        $fit = array_values(
            array_filter(
                $tools,
                static fn (Tool $tool): bool => match ($tool) {
                    Tool::Tape => $test->hasLength(),
                    Tool::Inclinometer => $test->hasAngle(),
                    default => true,
                },
            ),
        );
        if ($test->hasLength() || $test->hasAngle()) {
            $builder->add('tool', EnumType::class, [
                'label' => 'bench.tool',
                'class' => Tool::class,
                'choices' => $fit,
                'empty_data' => $fit[0]->value,
                'choice_label' => static fn (Tool $tool): string => 'tool.'.$tool->value,
                'choice_translation_domain' => 'labels',
            ]);
        }
        if ($test->definition->formula->isSeated()) {
            $builder->add('seat', TextType::class, [
                'label' => 'control.seat',
                'required' => false,
                'attr' => ['inputmode' => 'decimal', 'autocomplete' => 'off', 'class' => 'figure'],
            ]);
        }
        foreach ($data->sides as $side) {
            $this->addSide($builder, $test, $side);
        }
        $builder
            ->add('note', TextareaType::class, [
                'label' => 'common.note',
                'required' => false,
                'attr' => ['rows' => 2, 'maxlength' => 2000],
            ])
            ->add('errors', HiddenType::class, ['required' => false])
            ->add('entry', HiddenType::class, ['mapped' => false, 'data' => $options['entry']]);
        $this->words->add($builder);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults([
            'data_class' => BenchData::class,
            'entry' => '',
            'attr' => ['novalidate' => 'novalidate'],
        ]);
    }

    public function getBlockPrefix(): string
    {
        return 'bench';
    }

    private function addSide(FormBuilderInterface $builder, BenchTest $test, Side $side): void
    {
        $name = self::SIDES[$side->value];
        $builder
            ->add("compensations$name", ChoiceType::class, [
                'label' => $name,
                'choices' => array_column($test->entry['compensations'], 'id', 'text'),
                'choice_translation_domain' => false,
                'expanded' => true,
                'multiple' => true,
                'required' => false,
            ])
            ->add("pain$name", PainType::class, ['label' => $name]);
        if ($test->mayRest()) {
            $builder->add("resting$name", ChoiceType::class, [
                'label' => 'bench.top_knee',
                'choices' => [
                    'bench.top_knee.height' => '',
                    'bench.top_knee.rests' => 'yes',
                    'bench.top_knee.hangs' => 'no',
                ],
                'required' => true,
                'empty_data' => '',
            ]);
        }
    }
}
