<?php

declare(strict_types=1);

namespace LucidAscent\App\Text;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\Core\Readiness\LadderPosition;
use LucidAscent\Core\Reason\Reason;
use Symfony\Contracts\Translation\TranslatorInterface;

/** Reasons as a teacher reads them. */
final readonly class ReasonText
{
    /** Numbers of a reason that are names of something, and the labels they go by. */
    private const NAMES = [
        'component' => 'component.',
        'limiter' => 'component.',
        'place' => 'pain.place.',
        'kind' => 'pain.kind.',
        'ability' => 'component.',
        'remedy' => 'remedy.',
        'props' => 'equipment.',
        'purpose' => 'purpose.',
        'elsewhere' => 'elsewhere.',
    ];

    private const ENTRIES = [
        'postures' => Kind::Posture,
        'poses' => Kind::Posture,
        'posture' => Kind::Posture,
        'theme' => Kind::Posture,
        'test' => Kind::Test,
        'tests' => Kind::Test,
    ];

    public function __construct(
        private TranslatorInterface $translator,
        private Catalogue $catalogue,
        private ConditionName $conditions,
    ) {
    }

    public function text(Reason $reason): string
    {
        $numbers = [];
        foreach ($reason->numbers as $name => $value) {
            if (isset(self::ENTRIES[$name])) {
                $value = array_map(
                    fn (int|float|string $id): string => $this->entryName(self::ENTRIES[$name], (string) $id),
                    (array) $value,
                );
            }
            if (isset(self::NAMES[$name])) {
                $value = array_map(
                    fn (int|float|string $id): string => $this->translator->trans(
                        self::NAMES[$name].$id,
                        domain: 'labels',
                    ),
                    (array) $value,
                );
            }
            $value = is_array($value) ? implode(', ', $value) : $value;
            if ('rung' === $name && is_string($value)) {
                $posture = $reason->numbers['posture'] ?? '';
                $value = $this->rungName(is_string($posture) ? $posture : '', $value);
            }
            $numbers[$name] = $value;
        }

        $felt = $reason->numbers['felt'] ?? null;
        if (is_string($felt)) {
            $place = $this->catalogue->feelings()[$felt] ?? null;
            $numbers['felt'] = $place['name'] ?? $felt;
            $numbers['means'] = $place['change'] ?? '';
        }

        $condition = $reason->numbers['condition'] ?? null;
        if (is_string($condition) && is_string($numbers['name'] ?? null)) {
            $numbers['name'] = $this->conditions->byId($condition, $numbers['name']);
        }

        $text = $this->translator->trans($reason->code, $numbers, 'reasons');

        return mb_strtoupper(mb_substr($text, 0, 1)).mb_substr($text, 1);
    }

    /**
     * What bars the next rung. What is missing for that rung is not what is missing for the pose, so it is said of
     * which it is.
     *
     * @return list<string>
     */
    public function bars(LadderPosition $stand): array
    {
        $texts = array_map($this->text(...), $stand->bars);
        $isOfRung =
            [] !==
            array_filter(
                $stand->bars,
                static fn (Reason $bar): bool => in_array($bar->code, ['bar.short', 'bar.unread'], true),
            );
        if ($isOfRung && null !== $stand->next) {
            $texts[0] = $this->translator->trans('stand.next', ['rung' => $stand->next->rung->name]).' '.$texts[0];
        }

        return $texts;
    }

    private function entryName(Kind $kind, string $id): string
    {
        // What is done may be a posture or what is repeated in one.
        return $this->catalogue->entry($kind, $id)['name'] ??
            ($this->catalogue->entry(Kind::Drill, $id)['name'] ?? $id);
    }

    private function rungName(string $posture, string $rung): string
    {
        return $this->catalogue->rung($posture, $rung)->name ?? $rung;
    }
}
