<?php

declare(strict_types=1);

namespace LucidAscent\App\Form\Type;

use LucidAscent\App\Form\Data\FeltData;
use LucidAscent\App\Text\FeltText;
use LucidAscent\Core\Caution\PainKind;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\EnumType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\Form\FormInterface;
use Symfony\Component\Form\FormView;
use Symfony\Component\OptionsResolver\OptionsResolver;

/** Where a rung is felt: two taps, the place and what it is like. */
final class FeltType extends AbstractType
{
    public function __construct(private readonly FeltText $felt)
    {
    }

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('place', ChoiceType::class, [
                'label' => 'felt.place',
                'choices' => array_column($this->felt->choices($options['posture'], $options['rung']), 'id', 'name'),
                'choice_translation_domain' => false,
                'required' => false,
                'placeholder' => 'felt.unsaid',
                'invalid_message' => 'choose.listed',
            ])
            ->add('kind', EnumType::class, [
                'label' => 'felt.kind',
                'class' => PainKind::class,
                'choice_label' => static fn (PainKind $kind): string => 'pain.kind.'.$kind->value,
                'choice_translation_domain' => 'labels',
                'required' => false,
                'placeholder' => 'felt.unsaid',
                'invalid_message' => 'pain.kind.choose',
            ]);
    }

    public function finishView(FormView $view, FormInterface $form, array $options): void
    {
        $view->vars['of'] = ['posture' => $options['posture'], 'rung' => $options['rung']];
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults([
            'data_class' => FeltData::class,
            'label' => 'felt.legend',
            'posture' => '',
            'rung' => '',
            'error_bubbling' => false,
        ]);
    }
}
