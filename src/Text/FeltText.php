<?php

declare(strict_types=1);

namespace LucidAscent\App\Text;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\Core\Posture\FeltPlace;
use Symfony\Contracts\Translation\TranslatorInterface;

/** Where a rung may be felt, and what that means there, in words. */
final readonly class FeltText
{
    public function __construct(private Catalogue $catalogue, private TranslatorInterface $translator)
    {
    }

    public function name(string $place): string
    {
        return $this->catalogue->feelings()[$place]['name'] ?? $place;
    }

    /** @return list<string> names of the places in which a rung should be felt */
    public function right(string $posture, string $rung): array
    {
        return array_map($this->name(...), $this->rightPlaces($posture, $rung));
    }

    /**
     * What to change when a rung is felt in a place, or what else that means; empty where it is the right one.
     */
    public function means(string $posture, string $rung, string $place): string
    {
        $text = $this->catalogue->feelings()[$place] ?? null;

        return null === $text || in_array($place, $this->rightPlaces($posture, $rung), true)
            ? ''
            : $this->catalogue->named("$posture/$rung")['elsewhere'][$place] ?? ($text['change'] ?? $text['means']);
    }

    /** The same as a sentence that names the place. */
    public function said(string $posture, string $rung, string $place): string
    {
        $means = $this->means($posture, $rung, $place);

        return '' === $means
            ? ''
            : $this->translator->trans('felt.said', ['place' => $this->name($place), 'means' => $means]);
    }

    /**
     * All places, to choose from: those in which the rung should be felt, nothing, those to be careful of, and the
     * others.
     *
     * @return list<array{id: string, name: string, means: string, group: string}>
     */
    public function choices(string $posture, string $rung): array
    {
        $right = $this->rightPlaces($posture, $rung);
        $choices = [];
        foreach ($this->catalogue->feelings() as $id => $place) {
            $group = match (true) {
                in_array($id, $right, true) => 'right',
                FeltPlace::NOTHING === $id => 'nothing',
                $place['warns'] ?? false => 'careful',
                default => 'other',
            };
            $choices[$group][] = [
                'id' => $id,
                'name' => $place['name'],
                'means' => $this->means($posture, $rung, $id),
                'group' => $group,
            ];
        }

        return array_merge(
            $choices['right'] ?? [],
            $choices['nothing'] ?? [],
            $choices['careful'] ?? [],
            $choices['other'] ?? [],
        );
    }

    /** @return list<string> */
    private function rightPlaces(string $posture, string $rung): array
    {
        return array_values((array) ($this->catalogue->named("$posture/$rung")['felt'] ?? []));
    }
}
