<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Json\Day;
use LucidAscent\App\Json\FeltFields;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Json\PainFields;
use LucidAscent\App\Text\ReasonText;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Entry\StopDecided;
use LucidAscent\Core\Caution\EvidenceCutOff;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\History\Entry\CheckMade;
use LucidAscent\Core\History\Entry\FeltSaid;
use LucidAscent\Core\History\History;
use LucidAscent\Core\History\PractisedUpTo;
use LucidAscent\Core\History\ReadHistory;
use LucidAscent\Core\Posture\Ladder;
use LucidAscent\Core\Practice\ClosedTime;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Progression\Decide;
use LucidAscent\Core\Progression\LadderPractice;
use LucidAscent\Core\Readiness\May;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;
use LucidAscent\Core\Testing\ToolErrors;

/** What comes next on a rung, out of its session logs, in the JSON shape that the command line prints. */
final readonly class DecideAnswer
{
    public function __construct(private Catalogue $catalogue, private EventList $events, private ReasonText $texts)
    {
    }

    /**
     * {"posture", "rung", "on"?, "next": "open|near|unknown|first|short|held", "sessions": [{"on", "rung"?,
     * "holdReached", "evenBreath", "pain", "compensations", "soreAtNight", "felt"?}, …]}; a log that is sent twice
     * counts once.
     *
     * @return array<string, mixed>
     *
     * @throws InvalidValue when the rung is not known, or a session cannot be read
     */
    public function of(Fields $document): array
    {
        $ladder = $this->ladder($document->text('posture'));
        $rung = self::known($ladder, $document->text('rung'), 'rung');
        $side = self::side($document);
        $checks = $pains = $felt = $unread = [];
        $today = new \DateTimeImmutable('@0');
        $work = $this->catalogue->rung($ladder->id, $rung)?->work;
        foreach ($document->list('sessions') as $i => $session) {
            $place = is_array($session) ? FeltFields::said($session[FeltFields::KEY] ?? null) : null;
            $said = PainFields::inUnreadable(FreeWords::without(FeltFields::without($session)));
            $check = $this->check($session, $said, $ladder, $rung, $today, $unread);
            $id = Fields::textIn($session, 'id', "sessions[$i]");
            if (null !== $place) {
                $felt[] = new FeltSaid(
                    $id,
                    $check->on,
                    $check->on,
                    '',
                    $ladder->id,
                    $check->rung,
                    $side,
                    $this->catalogue->feltPlace($place[0]),
                    $place[1],
                );
            }
            // A log that is sent twice counts once.
            $checks[serialize($check)] ??= new CheckMade(
                $id,
                $check->on,
                $check->on,
                '',
                $ladder->id,
                $side ?? Side::Left,
                $check,
                null,
                [],
                $side,
            );
            $today = max($today, $check->on);
            foreach (array_slice($said, 1) as $pain) {
                $pains[] = new PainTold(
                    $id,
                    $check->on,
                    $check->on,
                    $pain,
                    $side,
                    $this->catalogue->rung($ladder->id, $check->rung)->work ?? $work,
                    $ladder->id,
                    $check->rung,
                );
            }
        }
        $none = InvalidValue::because('sessions', 'are none: a decision rests on what was practised.');
        if ([] === $checks) {
            throw $none;
        }
        $checks = array_values($checks);
        // Without a day of its own it is asked on the day of the last session.
        $today = $document->has('on') ? max($today, Day::of('on', $document->text('on'))) : $today;
        [$events, $unreadEvents] = $this->events->of($document, $today);
        $history = new History([...$checks, ...$pains, ...$felt, ...$events], ToolErrors::usual());
        $checks = $history->checks();
        $holds = (new ReadHistory($this->catalogue->postures(), $this->catalogue->tests()))->holds($history, $today);
        $next =
            State::tryFrom($document->text('next', State::Unknown->value)) ??
            throw InvalidValue::because('next', 'is open, near, unknown, first, short or held.');
        $sides = null === $side ? Side::cases() : [$side];
        $heldBy = [];
        foreach ($sides as $one) {
            foreach ($holds->on($work ?? new Work([]), $one) as $hold) {
                $heldBy[spl_object_id($hold)] = $hold;
            }
        }
        $heldBy = array_values($heldBy);
        if (State::Held === $next && [] === $heldBy) {
            $heldBy[] = new Hold(
                new StopDecided('next', $today, $today, null, false),
                Condition::everything('held', 'What comes next is held'),
                null,
                ClearanceAuthority::Clinician,
            );
        }
        usort($checks, static fn (CheckMade $a, CheckMade $b): int => $a->on <=> $b->on);
        $last = array_pop($checks) ?? throw $none;
        $works = ($this->catalogue->postures()[$ladder->id] ?? null)?->works() ?? [];
        $closed = [];
        foreach ($sides as $one) {
            // Whether tests came first since a word is said by what is next.
            array_push(
                $closed,
                ...ClosedTime::all($holds, $one, $works, static fn (EvidenceCutOff $since): EvidenceCutOff => $since),
            );
        }
        $after = $ladder->after($ladder->rung($last->check->rung));
        $isNextHeld =
            null !== $after
            && [] !==
                array_filter(
                    $sides,
                    static fn (Side $one): bool => !May::load(
                        $holds,
                        $works[$after->id] ?? new Work([]),
                        $one,
                    )->isYes(),
                );
        $practice = new LadderPractice(
            $ladder,
            PractisedUpTo::check($last, $checks, $closed),
            $next->isInReach() && !$isNextHeld,
            false,
            $heldBy,
            ($works[$last->check->rung] ?? new Work([]))->takesDays(),
            $history
                ->feltIn(
                    $ladder->id,
                    $last->check->rung,
                    $side ?? Side::Left,
                    $this->catalogue->rung($ladder->id, $last->check->rung),
                )
                ->upTo($last->check->on),
        );
        $proposal = Decide::proposal($practice);

        return [
            'decision' => $proposal->step->value,
            'rung' => $practice->rung()->id,
            'rungAfter' => Decide::rungAfter($practice, $proposal->step)->id,
            'reasons' => array_map(
                fn (Reason $reason): array => [
                    'code' => $reason->code,
                    'text' => $this->texts->text($reason),
                    'source' => $reason->source->value,
                ] + $reason->numbers,
                $proposal->reasons,
            ),
            'restsOn' => array_map(static fn (ReadinessCheck $check): string => $check->day(), $proposal->restsOn),
            'choices' => array_map(static fn ($step): string => $step->value, Decide::choices($practice, $proposal)),
        ] + ([] === [...$unread, ...$unreadEvents] ? [] : ['unread' => [...$unread, ...$unreadEvents]]);
    }

    /**
     * A session as a check; one that cannot be read is refused, unless it speaks of pain: then what it says holds.
     *
     * @param list<Pain> $said of pain, besides where it was felt
     * @param list<array<string, string>> $unread
     *
     * @throws InvalidValue
     */
    private function check(
        mixed $session,
        array $said,
        Ladder $ladder,
        string $rung,
        \DateTimeImmutable $today,
        array &$unread,
    ): ReadinessCheck {
        try {
            $fields = Fields::of($session, 'sessions');

            return new ReadinessCheck(
                self::known($ladder, $fields->text('rung', $rung), 'rung'),
                Day::of('on', $fields->text('on')),
                $fields->flag('holdReached'),
                $fields->flag('evenBreath'),
                $said[0] ?? Pain::none(),
                $fields->texts('compensations'),
                $fields->flag('soreAtNight'),
            );
        } catch (InvalidValue $e) {
            $said = PainFields::inUnreadable(FreeWords::without($session));
            if ([] === $said) {
                throw $e;
            }
            $unread[] = [
                'code' => 'bad-input',
                'because' => $e->getMessage().' What it says of pain holds all the same.',
            ];

            return new ReadinessCheck($rung, $today, false, false, $said[0]);
        }
    }

    /** Whose side it is; null when nobody said, and then every hold of either side counts. */
    private static function side(Fields $document): ?Side
    {
        return Side::tryFrom($document->text('side', ''));
    }

    private function ladder(string $posture): Ladder
    {
        try {
            return $this->catalogue->ladder($posture);
        } catch (\OutOfBoundsException) {
            throw InvalidValue::because('posture', sprintf('"%s" is not known.', $posture));
        }
    }

    private static function known(Ladder $ladder, string $rung, string $field): string
    {
        return $ladder->has($rung)
            ? $rung
            : throw InvalidValue::because($field, sprintf('"%s" is no rung of %s.', $rung, $ladder->id));
    }
}
