<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\Core\Practice\Step;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\EnumType;
use Symfony\Component\Form\Extension\Core\Type\TextareaType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\Callback;
use Symfony\Component\Validator\Constraints\Length;
use Symfony\Component\Validator\Constraints\NotNull;
use Symfony\Component\Validator\Context\ExecutionContextInterface;

final class DecisionForm extends AbstractType
{
    public const SHORTEST_REASON = 10;

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $proposed = $options['proposed'];
        $builder
            ->add('step', EnumType::class, [
                'label' => 'decision.label',
                'class' => Step::class,
                'choices' => $options['steps'],
                'expanded' => true,
                'choice_label' => static fn (Step $step): string => 'step.'.
                    $step->value.
                    ($step === $proposed ? '.proposed' : ''),
                'choice_translation_domain' => 'labels',
                'invalid_message' => 'decision.step.closed',
                'constraints' => [new NotNull(message: 'decision.step.missing')],
            ])
            ->add('why', TextareaType::class, [
                'label' => 'decision.why.label',
                'help' => 'decision.why.help',
                'required' => false,
                'attr' => ['rows' => 3, 'maxlength' => 2000],
                'empty_data' => '',
                'constraints' => [
                    new Length(max: 2000, maxMessage: 'reason.long'),
                    new Callback(static function (?string $why, ExecutionContextInterface $context) use (
                        $proposed,
                    ): void {
                        $form = $context->getObject();
                        $step =
                            $form instanceof \Symfony\Component\Form\FormInterface
                                ? $form->getParent()?->get('step')->getData()
                                : null;
                        if (
                            $step instanceof Step
                            && $step !== $proposed
                            && mb_strlen(trim((string) $why)) < self::SHORTEST_REASON
                        ) {
                            $context
                                ->buildViolation('decision.why.missing')
                                ->addViolation();
                        }
                    }),
                ],
            ]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setRequired(['proposed', 'steps']);
        $resolver->setDefaults(['attr' => ['novalidate' => 'novalidate']]);
    }
}
