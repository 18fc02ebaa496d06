<?php

declare(strict_types=1);

namespace LucidAscent\App\Planning;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\StudioClass;
use Symfony\Component\HttpFoundation\Request;

/** Who and what was picked for a class, as its form sends it; what is none of it is left out. */
final readonly class ChosenForClass
{
    /**
     * @param list<Practitioner> $people
     * @param list<array{posture: string, minutes: int}> $pieces in their order
     * @param list<string> $faulty ids of postures whose minutes are none that a class has
     */
    public function __construct(public array $people, public array $pieces, public array $faulty = [])
    {
    }

    /**
     * @param list<Practitioner> $all whom the teacher has
     * @param list<Practitioner> $more people of an earlier class
     * @param array<string, string> $names of postures, by id
     */
    public static function sent(Request $request, array $all, array $more, array $names): self
    {
        $sent = $request->request->all();
        $texts = static fn (mixed $values): array => array_values(
            array_filter(is_array($values) ? $values : [], is_string(...)),
        );
        $chosen = $texts($sent['people'] ?? []);
        foreach ($more as $one) {
            $chosen[] = (string) $one->id;
        }
        $minutes = is_array($sent['minutes'] ?? null) ? $sent['minutes'] : [];
        $pieces = $faulty = [];
        foreach (array_unique($texts($sent['postures'] ?? [])) as $id) {
            if (!isset($names[$id])) {
                continue;
            }
            $typed = $minutes[$id] ?? (string) StudioClass::USUAL;
            $many = is_string($typed) && ctype_digit(trim($typed)) ? (int) $typed : 0;
            if ($many < 1 || $many > StudioClass::LONGEST) {
                $faulty[] = $id;
            }
            $pieces[] = ['posture' => $id, 'minutes' => $many];
        }

        return new self(
            array_values(
                array_filter($all, static fn (Practitioner $one): bool => in_array((string) $one->id, $chosen, true)),
            ),
            $pieces,
            $faulty,
        );
    }

    /** @return list<string> what is wrong with it, by the names of its messages */
    public function faults(): array
    {
        return array_keys(
            array_filter([
                'class.people.none' => [] === $this->people,
                'class.people.many' => count($this->people) > StudioClass::MOST_PEOPLE,
                'class.order.none' => [] === $this->pieces,
                'class.order.many' => count($this->pieces) > StudioClass::MOST_PIECES,
                'class.minutes.range' => [] !== $this->faulty,
            ]),
        );
    }
}
