<?php

declare(strict_types=1);

namespace LucidAscent\App\Planning;

use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\StudioClass;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Json\FeltFields;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Json\SentEntry;
use LucidAscent\App\Person\RecordFelt;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\App\Repository\ClassRecords;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\PainKind;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What a class leaves in each person's record: that they came, what hurt, and where it was felt. */
final readonly class AfterClass
{
    public function __construct(
        private Records $records,
        private ClassRecords $classes,
        private RecordPain $pain,
        private RecordFelt $felt,
        private ClassSheet $sheet,
        private ClockInterface $clock,
    ) {
    }

    /**
     * What hurts is written down, whatever has become of the class since its page was opened, and whoever is in it now.
     * Sent twice it is one; said again from a page that was opened anew it holds again, whatever was lifted meanwhile.
     *
     * @param string $class its id, as it was sent
     * @param array<string, mixed> $sent "entry", and "pain", "side", "felt" and "felt_side" by a person's id
     */
    public function hear(string $class, array $sent, Teacher $by): void
    {
        $day = $this->day($this->classes->find($by, $class));
        $entry = SentEntry::id($sent['entry'] ?? null);
        foreach (is_array($sent['pain'] ?? null) ? $sent['pain'] : [] as $id => $fields) {
            $pain = RecordPain::typed($fields);
            $side = is_array($sent['side'] ?? null) ? $sent['side'][$id] ?? '' : '';
            try {
                $person = $pain->isFelt() ? $this->records->practitioner($by, (string) $id) : null;
            } catch (NotFoundHttpException) {
                continue;
            }
            if (null !== $person) {
                $this->pain->of(
                    $person,
                    $by,
                    $pain,
                    is_string($side) ? Side::tryFrom($side) : null,
                    "class $class",
                    on: $day,
                    telling: "class $entry",
                );
            }
        }
        foreach (array_keys(is_array($sent[FeltFields::KEY] ?? null) ? $sent[FeltFields::KEY] : []) as $id) {
            [$felt, $side, $posture] = self::feltOf($sent, (string) $id);
            try {
                $person = null === $felt ? null : $this->records->practitioner($by, (string) $id);
            } catch (NotFoundHttpException) {
                continue;
            }
            if (null !== $person) {
                $this->felt->hear($person, $by, $felt, $side, "class $class", $posture, '', $day);
            }
        }
    }

    /**
     * Where somebody felt a posture of the class: in the rung that is theirs. What it says of pain was heard before.
     *
     * @param array<string, mixed> $sent
     */
    private function felt(StudioClass $class, Practitioner $person, array $sent): void
    {
        [$felt, $side, $posture] = self::feltOf($sent, (string) $person->id);
        if (null === $felt || !in_array($posture, array_column($class->pieces, 'posture'), true)) {
            return;
        }
        foreach ($this->sheet->of([$person], [$posture])[0]['rungs'] as ['rung' => $rung, 'people' => $people]) {
            foreach ($people as $of) {
                foreach (null === $side ? Side::cases() : [$side] as $one) {
                    if (in_array($of['side'], ['both', $one->value], true)) {
                        $this->felt->of(
                            $person,
                            $class->teacher,
                            $felt,
                            $one,
                            "class $class->id",
                            $posture,
                            $rung->rung->id,
                            $this->day($class),
                            isHeard: true,
                        );
                    }
                }
            }
        }
    }

    /**
     * @param array<string, mixed> $sent
     *
     * @return array{array{string, PainKind}|null, Side|null, string} what was felt, on which side, in which posture
     */
    private static function feltOf(array $sent, string $id): array
    {
        $of = static fn (string $name): mixed => is_array($sent[$name] ?? null) ? $sent[$name][$id] ?? null : null;
        $side = $of('felt_side');

        return [
            FeltFields::said($of(FeltFields::KEY)),
            is_string($side) ? Side::tryFrom($side) : null,
            Fields::textIn($of(FeltFields::KEY), 'posture'),
        ];
    }

    /**
     * @param list<Practitioner> $people
     * @param array<string, mixed> $sent "came" by a person's id, and what was felt
     */
    public function attended(StudioClass $class, array $people, array $sent): void
    {
        $came = is_array($sent['came'] ?? null) ? $sent['came'] : [];
        foreach ($people as $person) {
            $this->felt($class, $person, $sent);
            $note = ClassRecords::cameId($class, $person);
            if (isset($came[(string) $person->id]) && !$this->records->knows(PractitionerNote::class, $note)) {
                $this->records->addOnce(
                    new PractitionerNote(
                        $note,
                        $person,
                        $this->clock->now(),
                        $this->day($class),
                        PractitionerNote::CLASS_ATTENDED,
                        $class->name,
                    ),
                );
            }
        }
    }

    /** That of the class, unless it is still to come, or gone. */
    private function day(?StudioClass $class): \DateTimeImmutable
    {
        $today = Day::midnight($this->clock->now());

        return null === $class ? $today : min($today, $class->heldOn);
    }
}
