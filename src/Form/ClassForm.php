<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use LucidAscent\App\Form\Type\DayType;
use LucidAscent\App\Form\Type\LineType;
use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\HiddenType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\NotNull;

/** What a class is called, when and where it is; its people and postures are picked beside it. */
final class ClassForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('name', LineType::class, ['label' => 'class.name', 'missing' => 'class.name.missing'])
            ->add('heldOn', DayType::class, [
                'label' => 'common.day',
                'constraints' => [new NotNull(message: 'clearance.day.missing')],
            ])
            ->add('place', LineType::class, ['label' => 'class.place'])
            ->add('follow', CheckboxType::class, ['label' => 'course.follow', 'required' => false])
            ->add('version', HiddenType::class, ['empty_data' => '0'])
            ->add('entry', HiddenType::class);
        if (false === $options['is_in_course']) {
            $builder->remove('follow');
        }
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['is_in_course' => false, 'attr' => ['novalidate' => 'novalidate']]);
    }
}
