<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\ContactList;
use LucidAscent\App\Catalogue\EntryFields;
use LucidAscent\App\Catalogue\Field;
use LucidAscent\App\Catalogue\FieldKind;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\Core\LegChain\Contact\About;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\ChoiceType;
use Symfony\Component\Form\Extension\Core\Type\FormType;
use Symfony\Component\Form\Extension\Core\Type\TextareaType;
use Symfony\Component\Form\Extension\Core\Type\TextType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Translation\TranslatableMessage;

/** An entry of the catalogue, field by field. */
final class EntryForm extends AbstractType
{
    public const MOST_RUNGS = 12;

    public function __construct(private readonly Catalogue $catalogue)
    {
    }

    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $kind = $options['kind'];
        $this->add($builder, EntryFields::of($kind));
        if (Kind::Posture === $kind) {
            $builder->add('figure', ChoiceType::class, [
                'label' => 'own.drawn',
                'required' => false,
                'placeholder' => true === $options['has_figure'] ? 'own.figure.same' : 'own.figure.choose',
                'choices' => array_flip(
                    array_map(static fn (About $about): string => $about->label, ContactList::toSetUp()),
                ),
            ]);
            $rungs = $builder->create('rungs', FormType::class, ['label' => false]);
            for ($i = 0; $i < $options['rungs']; ++$i) {
                $rung = $builder->create((string) $i, FormType::class, ['label' => false]);
                $this->add($rung, EntryFields::rung());
                $rungs->add($rung);
            }
            $builder->add($rungs);
        }
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['rungs' => 0, 'has_figure' => false, 'attr' => ['novalidate' => 'novalidate']]);
        $resolver->setRequired('kind');
    }

    /** @param list<Field> $fields */
    private function add(FormBuilderInterface $builder, array $fields): void
    {
        foreach ($fields as $field) {
            $common = [
                'label' => $field->label,
                'help' => '' === $field->help ? null : $field->help,
                'required' => false,
            ];
            match ($field->kind) {
                FieldKind::Flag => $builder->add($field->name(), CheckboxType::class, $common),
                FieldKind::Choice, FieldKind::Choices => $builder->add(
                    $field->name(),
                    ChoiceType::class,
                    $common + [
                        'choices' => array_combine($field->choices, $field->choices),
                        'choice_label' => fn (string $choice): string|TranslatableMessage => $this->label(
                            $field,
                            $choice,
                        ),
                        'choice_translation_domain' => 'labels',
                        'multiple' => FieldKind::Choices === $field->kind,
                        'expanded' => FieldKind::Choices === $field->kind,
                        'placeholder' => FieldKind::Choice === $field->kind ? 'own.choose' : null,
                    ],
                ),
                FieldKind::Line, FieldKind::Number, FieldKind::Quantity, FieldKind::Range => $builder->add(
                    $field->name(),
                    TextType::class,
                    $common + ['attr' => ['maxlength' => 2000]],
                ),
                default => $builder->add(
                    $field->name(),
                    TextareaType::class,
                    $common + ['attr' => ['rows' => 3, 'maxlength' => 8000]],
                ),
            };
        }
    }

    private function label(Field $field, string $choice): string|TranslatableMessage
    {
        $read = 'formula' === $field->name() ? ContactList::all()[$choice] ?? null : null;
        if (null !== $read) {
            return new TranslatableMessage($read->label);
        }

        return match ($field->name()) {
            'components' => 'component.'.$choice,
            'family' => 'family.'.$choice,
            'stance' => 'stance.'.$choice,
            'loads' => 'load.'.$choice,
            'level' => 'level.'.$choice,
            'purposes' => 'purpose.'.$choice,
            'remedies' => 'remedy.'.$choice,
            'sides' => 'sides.'.$choice,
            'side' => 'drill.'.$choice,
            'formula' => 'formula.'.$choice,
            'view' => 'view.'.$choice,
            'felt' => $this->catalogue->feelings()[$choice]['name'] ?? $choice,
            default => str_replace('-', ' ', $choice),
        };
    }
}
