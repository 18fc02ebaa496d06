<?php

declare(strict_types=1);

namespace LucidAscent\App\Form;

use Symfony\Component\Form\AbstractType;
use Symfony\Component\Form\Extension\Core\Type\CheckboxType;
use Symfony\Component\Form\Extension\Core\Type\FileType;
use Symfony\Component\Form\FormBuilderInterface;
use Symfony\Component\OptionsResolver\OptionsResolver;
use Symfony\Component\Validator\Constraints\File;
use Symfony\Component\Validator\Constraints\NotNull;

/** A record, or an archive with one, to be read in. */
final class RecordForm extends AbstractType
{
    public function buildForm(FormBuilderInterface $builder, array $options): void
    {
        $builder
            ->add('file', FileType::class, [
                'label' => 'import.file',
                'attr' => ['accept' => '.json,.zip,application/json,application/zip'],
                'constraints' => [
                    new NotNull(message: 'import.file.missing'),
                    new File(
                        maxSize: '8M',
                        maxSizeMessage: 'import.file.long',
                        uploadIniSizeErrorMessage: 'import.file.long',
                    ),
                ],
            ])
            ->add('tried', CheckboxType::class, ['label' => 'import.tried', 'required' => false]);
    }

    public function configureOptions(OptionsResolver $resolver): void
    {
        $resolver->setDefaults(['attr' => ['novalidate' => 'novalidate', 'class' => 'narrow', 'data-busy' => 'yes']]);
    }
}
