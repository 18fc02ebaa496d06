<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Entity\WayTried;
use LucidAscent\App\Form\Type\DayType;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\Extension\Core\Type\NumberType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\NotNull;
use Symfony\Component\Validator\Constraints\Range;

/** The number of a session. */
final class TriedForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('number', NumberType::class, [
                'label' => $options['measured'],
                'translation_domain' => false,
                'invalid_message' => 'ways.number.range',
                'attr' => ['inputmode' => 'decimal', 'autocomplete' => 'off'],
                'constraints' => [
                    new NotNull(message: 'ways.number.range'),
                    new Range(notInRangeMessage: 'ways.number.range', min: -WayTried::MOST, max: WayTried::MOST),
                ],
            ])
            ->add('triedOn', DayType::class, [
                'label' => 'common.day',
                'constraints' => [
                    new NotNull(message: 'clearance.day.missing'),
                    new Range(
                        notInRangeMessage: 'ways.day.range',
                        min: $options['first'],
                        max: $options['today'],
                    ),
                ],
            ])
            // Whose turn it was when the page was opened.
            ->add('turn', HiddenType::class, ['data' => $options['turn']])
            ->add('entry', HiddenType::class, ['data' => $options['entry']]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver
            ->setRequired(['measured', 'first', 'today', 'turn', 'entry'])
            ->setDefaults(['attr' => ['novalidate' => 'novalidate']]);
    }
}
