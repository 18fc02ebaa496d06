<?php

declare(strict_types=1);

namespace LucidAscent\App\Catalogue;

/** One part of an entry, as a form shows it. */
final readonly class Field
{
    /**
     * @param string $path where it is in the entry, with slashes
     * @param list<string> $choices
     */
    public function __construct(
        public string $path,
        public string $label,
        public FieldKind $kind,
        public string $help = '',
        public array $choices = [],
        public bool $optional = false,
    ) {
    }

    /** The name of the form's field. */
    public function name(): string
    {
        return str_replace(['/', '-'], '_', $this->path);
    }
}
