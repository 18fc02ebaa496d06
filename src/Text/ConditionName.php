<?php

declare(strict_types=1);

namespace LucidAscent\App\Text;

use LucidAscent\Core\Caution\Condition;
use Symfony\Contracts\Translation\TranslatorInterface;

/** What holds somebody, by its name: that of the catalogue, or of a rule about pain, which is in no catalogue. */
final readonly class ConditionName
{
    public function __construct(private TranslatorInterface $translator)
    {
    }

    public function of(Condition $condition): string
    {
        return $this->byId($condition->id, $condition->name);
    }

    public function byId(string $id, string $name): string
    {
        $label = $this->translator->trans("condition.$id", domain: 'labels');

        return "condition.$id" === $label ? $name : $label;
    }
}
