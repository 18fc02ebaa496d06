<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange\Record;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Helper;
use Opis\JsonSchema\Validator;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** The published schema of a record, asked part by part: one part that is wrong spoils no other. */
final class RecordSchema
{
    private ?Validator $validator = null;

    public function __construct(
        #[Autowire('%kernel.project_dir%/docs/formats/record-1.schema.json')]
        private readonly string $file,
    ) {
    }

    /**
     * @param string $part one of the kinds of a record, or a part of its head
     *
     * @return string|null what is wrong with it; null when nothing is
     */
    public function fault(string $part, mixed $value): ?string
    {
        if (null === $this->validator) {
            $this->validator = new Validator(max_errors: 1);
            $this->validator->resolver()?->registerFile('urn:lucid-ascent:record:1', $this->file);
        }
        $where = isset(RecordKinds::CLASSES[$part]) ? "#/\$defs/$part" : "#/properties/$part";
        $error = $this->validator
            ->validate(Helper::toJSON($value), (object) ['$ref' => "urn:lucid-ascent:record:1$where"])
            ->error();
        if (null === $error) {
            return null;
        }
        foreach ((new ErrorFormatter())->formatKeyed($error) as $path => $messages) {
            return trim(
                ltrim((string) $path, '/').
                    ': '.
                    (is_array($messages) ? implode(' ', array_map(strval(...), $messages)) : $messages),
                ': ',
            );
        }

        return 'is not as the schema has it.';
    }
}
