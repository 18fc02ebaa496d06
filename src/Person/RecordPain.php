<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Entity\PainSaid;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Json\PainFields;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Caution\PainPlace;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Uid\Uuid;

/** Writes down pain that no other record would keep, each thing that was said once. */
final readonly class RecordPain
{
    /** More is told by nobody in one go. */
    private const MOST = 60;

    public function __construct(private Records $records, private ClockInterface $clock)
    {
    }

    /**
     * What the fields of a form say of pain, however they were filled in: {"level", "place", "kind"}.
     *
     * @return Pain none when nobody said anything
     */
    public static function typed(mixed $fields): Pain
    {
        $text = static fn (string $name): string => is_array($fields) && is_scalar($fields[$name] ?? null)
            ? trim((string) $fields[$name])
            : '';
        $level = $text('level');
        $place = $text('place');
        // Numbness that stays needs no number, and no place.
        if (
            '' === $level
            && in_array($place, ['', PainPlace::None->value], true)
            && !PainKind::named($text('kind'))->isNumb()
        ) {
            return Pain::none();
        }

        return PainFields::said([
            'level' => ctype_digit($level) && strlen($level) < 3 ? (int) $level : null,
            'where' => $place,
            'kind' => $text('kind'),
        ]) ?? Pain::none();
    }

    /**
     * The same of a form that was sent, valid or not: what hurts is heard whatever else is wrong with it.
     *
     * @param string $form the form's name; empty where the field stands by itself
     */
    public static function sent(Request $request, string $form, string $field = 'pain'): Pain
    {
        return self::typed(
            '' === $form ? $request->request->all()[$field] ?? [] : $request->request->all($form)[$field] ?? [],
        );
    }

    /**
     * What was told in one go, each for itself; of more than anybody tells, the worst of each place, kind and side.
     *
     * @template T of array{Pain, Side|null, string, string}
     *
     * @param list<T> $told pain, side, and what else belongs to it
     *
     * @return list<T>
     */
    public static function bounded(array $told): array
    {
        if (count($told) <= self::MOST) {
            return $told;
        }
        $worst = [];
        foreach ($told as $one) {
            [$pain, $side] = $one;
            $of = implode(' ', [$pain->place->value, $pain->kind->value, $side->value ?? '']);
            if (!isset($worst[$of]) || $worst[$of][0]->level < $pain->level) {
                $worst[$of] = $one;
            }
        }

        return array_values($worst);
    }

    /**
     * A yes to one of the questions that stop, in a form that is not kept.
     *
     * @param array<string, Pain> $signs by id
     * @param string $source where it was said, and with which entry
     */
    public function signs(Practitioner $practitioner, Teacher $by, mixed $answered, array $signs, string $source): void
    {
        $yes = array_filter(is_array($answered) ? $answered : [], is_string(...));
        foreach (array_intersect_key($signs, array_flip($yes)) as $id => $pain) {
            $this->of($practitioner, $by, $pain, null, "$source $id");
        }
    }

    /**
     * @param string $source where it was said, and with which entry
     * @param string $during a posture or a test of the catalogue; empty when nobody knows
     * @param string $telling what tells this telling from any other, where its source does not: sent twice it is one,
     *     and what says something else of the same is heard as well
     *
     * @return bool whether anything was written down
     */
    public function of(
        Practitioner $practitioner,
        Teacher $by,
        Pain $pain,
        ?Side $side,
        string $source,
        string $during = '',
        string $rung = '',
        ?\DateTimeImmutable $on = null,
        string $telling = '',
    ): bool {
        if (!$pain->isFelt()) {
            return false;
        }
        // Of this person alone: nobody's entry is in the way of another's.
        $id = Uuid::v5(
            $practitioner->id,
            implode(' ', [
                '' === $telling ? $source : $telling,
                $side->value ?? '',
                $pain->level,
                $pain->place->value,
                $pain->kind->value,
                $during,
                $rung,
            ]),
        );
        // A log says at its end what was told while its session went on.
        $isToldBefore =
            '' === $telling && $this->records->hasTold($practitioner, mb_substr($source, 0, 80), $side, $pain);
        if ($isToldBefore || $this->records->knows(PainSaid::class, $id)) {
            return false;
        }
        $now = $this->clock->now();

        return $this->records->addOnce(
            new PainSaid(
                $id,
                $practitioner,
                $by,
                $now,
                Day::midnight($on ?? $now),
                $side,
                $pain->level,
                $pain->place,
                $pain->kind,
                mb_substr($source, 0, 80),
                mb_substr($during, 0, 40),
                mb_substr($rung, 0, 40),
            ),
        );
    }
}
