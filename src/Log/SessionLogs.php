<?php

declare(strict_types=1);

namespace LucidAscent\App\Log;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Entity\PracticePlan;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\PractitionerNote;
use LucidAscent\App\Entity\RungCheck;
use LucidAscent\App\Entity\SessionLog;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Json\Day;
use LucidAscent\App\Json\FeltFields;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Json\PainFields;
use LucidAscent\App\Person\RecordFelt;
use LucidAscent\App\Person\RecordPain;
use LucidAscent\App\Plan\PlannedRungs;
use LucidAscent\App\Repository\Records;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Calendar\Day as CalendarDay;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\PainKind;
use LucidAscent\Core\History\LoggedItem;
use LucidAscent\Core\History\ProvedByLog;
use LucidAscent\Core\Plan\PracticeRung;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Uuid;

/** Logs of sessions as they come in. */
final readonly class SessionLogs
{
    public function __construct(
        private Catalogue $catalogue,
        private Records $records,
        private RecordPain $pain,
        private RecordFelt $felt,
        private ClockInterface $clock,
    ) {
    }

    /**
     * What was said to hurt while a session goes on ("of" is the id of the log that it will have): it holds at once,
     * and that log, which says it too, does not say it again.
     *
     * @return Uuid|null the session's; null when this is no such telling, but a log
     *
     * @throws InvalidValue when it cannot be read
     */
    public function told(Fields $telling, Practitioner $practitioner, Teacher $by): ?Uuid
    {
        if (!$telling->has('of')) {
            return null;
        }
        $of = Uuid::isValid($telling->text('of'))
            ? Uuid::fromString($telling->text('of'))
            : throw InvalidValue::because('of', 'is no session.');
        if ([] !== ($telling->has('items') ? $telling->list('items') : [])) {
            throw InvalidValue::because('items', 'belong to the log of the session.');
        }
        $on = $this->on($telling);
        // Said a second time it holds a second time, whatever was lifted meanwhile; a telling that is sent twice is
        // one.
        $id = $telling->text('id', '');
        foreach (self::said($telling) as [$pain, $side, $posture, $rung]) {
            $this->pain->of(
                $practitioner,
                $by,
                $pain,
                $side,
                "log $of",
                $posture,
                $rung,
                $on,
                '' === $id ? '' : "telling $id",
            );
        }

        return $of;
    }

    /** @throws InvalidValue when it is no day, or has not been yet */
    private function on(Fields $log): \DateTimeImmutable
    {
        $on = Day::of('on', $log->text('on'));
        // A device may be a zone ahead of its teacher.
        if (CalendarDay::between($this->clock->now(), $on) > 1) {
            throw InvalidValue::because('on', 'is in the future.');
        }

        return $on;
    }

    /**
     * @return list<array{Pain, Side|null, string, string}> pain, side, posture and rung of all that was said beside the
     *     items
     */
    private static function said(Fields $log): array
    {
        $pains = [];
        foreach ($log->has('pains') ? $log->list('pains') : [] as $raw) {
            foreach (PainFields::inUnreadable(['pain' => $raw]) as $pain) {
                $text = static fn (string $name): string => Fields::textIn($raw, $name);
                $pains[] = [$pain, Side::tryFrom($text('side')), $text('posture'), $text('rung')];
            }
        }
        foreach (PainFields::everywhere(array_diff_key($log->all(), ['items' => 0, 'pains' => 0])) as $pain) {
            $pains[] = [$pain, null, '', ''];
        }

        return RecordPain::bounded($pains);
    }

    /**
     * @param PlannedRungs|null $planned the only rungs that are checked by it; null where a teacher was there, who has
     *     seen it
     *
     * @throws InvalidValue when it is no log of this catalogue's rungs
     */
    public function read(
        Fields $log,
        Uuid $entry,
        Practitioner $practitioner,
        PracticePlan $plan,
        Teacher $by,
        ?PlannedRungs $planned = null,
    ): ReadLog {
        $on = $this->on($log);
        $now = $this->clock->now();
        $soreAtNight = $log->flag('soreAtNight');
        $kept = $items = [];
        foreach ($log->objects('items') as $i => $fields) {
            $items[] = $item = $this->item(
                $fields,
                PainFields::everywhere(FeltFields::without($log->list('items')[$i])),
            );
            $drill = $fields->text('drill', '');
            $pain = $item->pains[0] ?? Pain::none();
            $kept[] = ('' === $drill ? [] : ['drill' => $drill]) + [
                'posture' => $item->posture,
                'rung' => $item->shape,
                'side' => $fields->text('side'),
                'pain' => ['level' => $pain->level, 'where' => $pain->place->value, 'kind' => $pain->kind->value],
                'propsUsed' => $fields->flag('propsUsed'),
                'note' => mb_substr($fields->text('note', ''), 0, 500),
                'holdReached' => $item->holdReached,
                'evenBreath' => $item->evenBreath,
                'compensations' => $item->compensations,
            ] + (null === $item->felt
                ? []
                : [FeltFields::KEY => ['place' => $item->felt->id, 'kind' => $item->feltKind->value]]);
        }
        $proved = ProvedByLog::of(
            (string) $entry,
            $now,
            $on,
            (string) $by->id,
            $items,
            $this->catalogue->postures(),
            $soreAtNight,
            $now,
            null === $planned ? null : $planned->has(...),
        );
        $pains = array_map(
            static fn (PainTold $told): array => [$told->pain, $told->side, $told->posture, $told->rung],
            $proved->pains,
        );
        array_push($pains, ...self::said($log));
        $session = new SessionLog(
            $entry,
            $practitioner,
            $by,
            $plan,
            $on,
            $now,
            $kept,
            $log->optionalNumber('before'),
            $log->optionalNumber('after'),
            mb_substr($log->text('note', ''), 0, PractitionerNote::LONGEST),
        );
        $isAnswered =
            null === $planned && [] !== array_filter($pains, static fn (array $one): bool => $one[0]->isFelt());
        $unread = $isAnswered
            ? null
            : UnreadNotes::ofLog(
                $session,
                null === $planned ? PractitionerNote::OF_TEACHER : PractitionerNote::WORDS,
            );
        $records = [$session, ...null === $unread ? [] : [$unread]];
        $inChecks = [];
        foreach ($proved->checks as $made) {
            $check = $made->check;
            $inChecks[] = [$check->pain, $made->side, $made->posture, $check->rung];
            $records[] = new RungCheck(
                Uuid::v7(),
                $practitioner,
                $by,
                $made->posture,
                $made->side,
                $check->rung,
                $on,
                $now,
                null,
                $check->holdReached,
                $check->evenBreath,
                $check->pain->level,
                $check->pain->place,
                $check->pain->kind,
                $check->compensations,
                $soreAtNight,
                '',
            );
        }

        return new ReadLog((string) $entry, $on, $records, $pains, $inChecks, $proved->felt);
    }

    /**
     * @param list<Pain> $pains all that it says of pain
     *
     * @throws InvalidValue when it is of no rung, drill or side
     */
    private function item(Fields $item, array $pains): LoggedItem
    {
        [$posture, $shape, $side, $drill] = [
            $item->text('posture'),
            $item->text('rung'),
            $item->text('side'),
            $item->text('drill', ''),
        ];
        if (null === PracticeRung::named("$posture/$shape", $this->catalogue->practiceRungs())) {
            throw InvalidValue::because('items', sprintf('name no rung "%s" of "%s".', $shape, $posture));
        }
        if ('' !== $drill && !isset($this->catalogue->drills()[$drill])) {
            throw InvalidValue::because('items', sprintf('name no drill "%s".', $drill));
        }
        $sides =
            'both' === $side
                ? Side::cases()
                : [Side::tryFrom($side) ?? throw InvalidValue::because('side', 'is left, right or both.')];

        $felt = FeltFields::said($item->raw(FeltFields::KEY));

        return new LoggedItem(
            $posture,
            $shape,
            $sides,
            '' !== $drill,
            $item->flag('holdReached'),
            $item->flag('evenBreath'),
            $item->texts('compensations'),
            $pains,
            felt: null === $felt ? null : $this->catalogue->feltPlace($felt[0]),
            feltKind: $felt[1] ?? PainKind::Stretch,
        );
    }

    /** Writes down what no check keeps; of a log that was there already, all that it did not say then. */
    public function hear(ReadLog $log, Practitioner $practitioner, Teacher $by, bool $known): void
    {
        $pains = $log->pains;
        $kept = $known ? $this->records->sessionLog(Uuid::fromString($log->id)) : null;
        foreach ($known ? $log->inChecks : [] as $one) {
            if (!self::says($kept, $one)) {
                $pains[] = $one;
            }
        }
        foreach ($pains as [$pain, $side, $posture, $rung]) {
            $this->pain->of($practitioner, $by, $pain, $side, "log $log->id", $posture, $rung, $log->on);
        }
        foreach ($log->felt as $felt) {
            $this->felt->of(
                $practitioner,
                $by,
                [$felt->place->id, $felt->kind],
                $felt->side,
                "log $log->id",
                $felt->posture,
                $felt->rung,
                $log->on,
            );
        }
    }

    /**
     * Whether a log that is there says of a rung what another of the same id says.
     *
     * @param array{Pain, Side|null, string, string} $one pain, side, posture and rung
     */
    private static function says(?SessionLog $log, array $one): bool
    {
        [$pain, $side, $posture, $rung] = $one;
        foreach ($log->items ?? [] as $item) {
            $isOf =
                [$item['posture'] ?? '', $item['rung'] ?? ''] === [$posture, $rung]
                && in_array($item['side'] ?? '', ['both', $side->value ?? 'both'], true);
            if ($isOf && RecordPain::typed($item['pain'] ?? null)->equals($pain)) {
                return true;
            }
        }

        return false;
    }

    /** The session that a log, or what was told while it went on, is of, as far as it can be read. */
    public static function idOf(mixed $sent): string
    {
        return Fields::textIn($sent, 'of', Fields::textIn($sent, 'id', 'without an id'));
    }

    /** What a log that cannot be kept says of pain holds all the same. */
    public function hearUnread(mixed $sent, Practitioner $practitioner, Teacher $by): void
    {
        // What has no id is told anew on another day, and once on one.
        $of = self::idOf($sent);
        $id = Uuid::isValid($of) ? $of : md5(serialize($sent)).CalendarDay::of($this->clock->now());
        $parts = is_array($sent)
            ? [
                ...is_array($sent['items'] ?? null) ? $sent['items'] : [],
                ...is_array($sent['pains'] ?? null)
                    ? array_map(
                        static fn (mixed $raw): array => ['pain' => $raw] +
                            (is_array($raw)
                                ? array_intersect_key($raw, ['side' => 0, 'posture' => 0, 'rung' => 0])
                                : []),
                        $sent['pains'],
                    )
                    : [],
                array_diff_key($sent, ['items' => 0, 'pains' => 0]),
            ]
            : [$sent];
        $told = [];
        foreach ($parts as $part) {
            $text = static fn (string $name): string => Fields::textIn($part, $name);
            foreach (PainFields::inUnreadable($part) as $pain) {
                foreach ('both' === $text('side') ? Side::cases() : [Side::tryFrom($text('side'))] as $side) {
                    $told[] = [$pain, $side, $text('posture'), $text('rung')];
                }
            }
        }
        foreach (RecordPain::bounded($told) as [$pain, $side, $posture, $rung]) {
            $this->pain->of($practitioner, $by, $pain, $side, "log $id", $posture, $rung);
        }
    }
}
