<?php

declare(strict_types=1);

namespace LucidAscent\App\Plan;

use LucidAscent\App\Text\ReasonText;
use LucidAscent\Core\Plan\PropStack;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Reason\Source;

/** What a session needs, to be laid out first: heights in this person's own blocks and blankets. */
final readonly class LayOut
{
    /** A block as it lies, on its side and on its end, and a folded blanket, in cm (common practice). */
    public const SIZES = ['flat' => 10.0, 'side' => 15.0, 'end' => 23.0, 'blanket' => 3.0];

    /** Within so many cm nobody sees a difference. */
    private const NEAR = 1.0;

    public function __construct(private ReasonText $texts)
    {
    }

    /**
     * @param list<array<string, mixed>> $items of a session, with their names
     *
     * @return list<array{what: string, for: list<string>, stack: string}>
     */
    public function of(array $items, PlanningRequest $asked): array
    {
        $list = [];
        foreach ($items as $item) {
            foreach ($item['props'] ?? [] as $prop) {
                $stack = isset($prop['height']) ? $this->words((float) $prop['height'], $asked) : '';
                $list["$prop[what] $stack"] ??= ['what' => $prop['what'], 'for' => [], 'stack' => $stack];
                $list["$prop[what] $stack"]['for'][$item['name']] = $item['name'];
            }
        }

        return array_map(
            static fn (array $one): array => ['for' => array_values($one['for'])] + $one,
            array_values($list),
        );
    }

    /**
     * "two blocks flat and one blanket: 23 cm"; the height alone where there is nothing to build it of.
     */
    public function words(float $height, PlanningRequest $asked): string
    {
        $sizes = $asked->sizes + self::SIZES;
        $stack = PropStack::of($height, $asked->request->equipment->blocks, $asked->request->equipment->blankets, [
            'flat' => $sizes['flat'],
            'side' => $sizes['side'],
            'end' => $sizes['end'],
            'blanket' => $sizes['blanket'],
        ]);
        $words = [];
        foreach (array_filter($stack->pieces, static fn (int $many): bool => $many > 0) as $piece => $many) {
            $words[] = lcfirst($this->texts->text(new Reason("stack.$piece", Source::Computed, ['many' => $many])));
        }
        if ([] === $words) {
            return $this->texts->text(new Reason('stack.none', Source::Computed, ['height' => $height]));
        }

        return lcfirst(
            $this->texts->text(
                new Reason('stack.height', Source::Computed, [
                    'pieces' => implode(', ', $words),
                    'height' => $stack->height,
                    'asked' => $height,
                    'near' => abs($stack->height - $height) <= self::NEAR ? 'yes' : 'no',
                ]),
            ),
        );
    }
}
