<?php

declare(strict_types=1);

namespace LucidAscent\App\Person;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\FeltInRung;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Json\FeltFields;
use LucidAscent\App\Repository\Records;
use LucidAscent\App\Text\FeltText;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\Practice\Felt;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Uid\Uuid;

/** Writes down where a rung was felt, each thing that was said once; where that is pain, as pain. */
final readonly class RecordFelt
{
    public function __construct(
        private Records $records,
        private RecordPain $pain,
        private Catalogue $catalogue,
        private FeltText $text,
        private ClockInterface $clock,
    ) {
    }

    /**
     * What a form that was sent says was felt, valid or not.
     *
     * @return array{string, PainKind}|null
     */
    public static function sent(Request $request, string $form): ?array
    {
        return FeltFields::said($request->request->all($form)[FeltFields::KEY] ?? null);
    }

    /**
     * @param array{string, PainKind}|null $felt place and kind; null when nothing was said
     * @param string $source where it was said, in a word, and the entry it was said with
     * @param bool $isHeard whether what it says of pain was heard before
     *
     * @return string what to change where it was felt in a wrong place; empty where it was the right one
     */
    public function of(
        Practitioner $practitioner,
        Teacher $by,
        ?array $felt,
        ?Side $side,
        string $source,
        string $posture,
        string $rung,
        ?\DateTimeImmutable $on = null,
        bool $isHeard = false,
    ): string {
        if (!$isHeard) {
            $this->hear($practitioner, $by, $felt, $side, $source, $posture, $rung, $on);
        }
        if (null === $felt) {
            return '';
        }
        [$place, $kind] = $felt;
        // Of this person alone: nobody's entry is in the way of another's.
        $id = Uuid::v5(
            $practitioner->id,
            implode(' ', ['felt', $source, $side->value ?? '', $posture, $rung, $place, $kind->value]),
        );
        $now = $this->clock->now();

        if (!$this->records->knows(FeltInRung::class, $id)) {
            $this->records->addOnce(
                new FeltInRung(
                    $id,
                    $practitioner,
                    $by,
                    $now,
                    Day::midnight($on ?? $now),
                    mb_substr($posture, 0, 40),
                    mb_substr($rung, 0, 40),
                    $side,
                    $place,
                    $kind,
                    mb_substr($source, 0, 80),
                ),
            );
        }

        return $this->text->said($posture, $rung, $place);
    }

    /**
     * What it says of pain alone, whatever else is wrong with the entry that it came with.
     *
     * @param array{string, PainKind}|null $felt
     */
    public function hear(
        Practitioner $practitioner,
        Teacher $by,
        ?array $felt,
        ?Side $side,
        string $source,
        string $posture,
        string $rung,
        ?\DateTimeImmutable $on = null,
    ): void {
        $pain = null === $felt ? Pain::none() : Felt::pain($this->catalogue->feltPlace($felt[0]), $felt[1]);
        $this->pain->of($practitioner, $by, $pain, $side, $source, $posture, $rung, $on);
    }
}
