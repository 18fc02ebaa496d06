<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Twig\ReasonExtension;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Body\Side;
use LucidAscent\Core\Caution\ClearanceAuthority;
use LucidAscent\Core\Caution\Condition;
use LucidAscent\Core\Caution\Entry\PainTold;
use LucidAscent\Core\Caution\Entry\StopDecided;
use LucidAscent\Core\Caution\Hold;
use LucidAscent\Core\Caution\Holds;
use LucidAscent\Core\Caution\Pain;
use LucidAscent\Core\Caution\Work;
use LucidAscent\Core\Posture\Ladder;
use LucidAscent\Core\Practice\ReadinessCheck;
use LucidAscent\Core\Progression\Decide;
use LucidAscent\Core\Progression\History;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;

/** What comes next on a rung, out of its session logs, in the JSON shape that the command line prints. */
final readonly class DecideAnswer
{
    public function __construct(private Catalogue $catalogue, private EventList $events, private ReasonExtension $texts)
    {
    }

    /**
     * {"posture", "rung", "next": "open|near|unknown|first|short|held", "sessions": [{"on", "rung"?, "holdReached",
     * "evenBreath", "pain", "compensations", "soreAtNight"}, …]}; a log that is sent twice counts once.
     *
     * @return array<string, mixed>
     *
     * @throws InvalidValue when the rung is not known, or a session cannot be read
     */
    public function of(Fields $document): array
    {
        $ladder = $this->ladder($document->text('posture'));
        $rung = self::known($ladder, $document->text('rung'), 'rung');
        $checks = $pains = $unread = [];
        $today = new \DateTimeImmutable('@0');
        $work = $this->catalogue->rung($ladder->id, $rung)?->work;
        foreach ($document->list('sessions') as $i => $session) {
            $said = PainFields::inUnreadable($session);
            $check = $this->check($session, $said, $ladder, $rung, $today, $unread);
            $on = $check->on;
            $checks[serialize($check)] = $check;
            $today = max($today, $on);
            foreach ($said as $pain) {
                $pains[] = new PainTold(Fields::textIn($session, 'id', "sessions[$i]"), $on, $on, $pain, self::side($document), $this->catalogue->rung($ladder->id, $check->rung)->work ?? $work, $ladder->id, $check->rung);
            }
        }
        if ([] === $checks) {
            throw InvalidValue::because('sessions', 'are none: a decision rests on what was practised.');
        }
        [$entries, $unreadEvents] = $this->events->of($document, $today);
        $holds = Holds::of([...$pains, ...$entries], $today);
        $next = State::tryFrom($document->text('next', State::Unknown->value)) ?? throw InvalidValue::because('next', 'is open, near, unknown, first, short or held.');
        $heldBy = [];
        foreach (null === self::side($document) ? Side::cases() : [self::side($document)] as $side) {
            foreach ($holds->on($work ?? new Work([]), $side) as $hold) {
                $heldBy[spl_object_id($hold)] = $hold;
            }
        }
        $heldBy = array_values($heldBy);
        if (State::Held === $next && [] === $heldBy) {
            $heldBy[] = new Hold(new StopDecided('next', $today, $today, null, false), Condition::everything('held', 'What comes next is held'), null, ClearanceAuthority::Clinician);
        }
        $history = new History($ladder, self::since($holds, array_values($checks), $ladder->id), $next->isInReach(), false, $heldBy);
        $proposal = Decide::proposal($history);

        return [
            'decision' => $proposal->step->value,
            'rung' => $history->rung()->id,
            'rungAfter' => Decide::rungAfter($history, $proposal->step)->id,
            'reasons' => array_map(fn (Reason $reason): array => ['code' => $reason->code, 'text' => $this->texts->text($reason), 'source' => $reason->source->value] + $reason->numbers, $proposal->reasons),
            'restsOn' => array_map(static fn (ReadinessCheck $check): string => $check->day(), $proposal->restsOn),
            'choices' => array_map(static fn ($step): string => $step->value, Decide::choices($history, $proposal)),
        ] + ([] === [...$unread, ...$unreadEvents] ? [] : ['unread' => [...$unread, ...$unreadEvents]]);
    }

    /**
     * A session as a check; one that cannot be read is refused, unless it speaks of pain: then what it says holds.
     *
     * @param list<Pain> $said
     * @param list<array<string, string>> $unread
     *
     * @throws InvalidValue
     */
    private function check(mixed $session, array $said, Ladder $ladder, string $rung, \DateTimeImmutable $today, array &$unread): ReadinessCheck
    {
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
            if ([] === $said) {
                throw $e;
            }
            $unread[] = ['code' => 'bad-input', 'because' => $e->getMessage().' What it says of pain holds all the same.'];

            return new ReadinessCheck($rung, $today, false, false, $said[0]);
        }
    }

    /** Whose side it is; null when nobody said, and then every hold of either side counts. */
    private static function side(Fields $document): ?Side
    {
        return Side::tryFrom($document->text('side', ''));
    }

    /**
     * What came before a stop was lifted does not count towards moving on.
     *
     * @param non-empty-list<ReadinessCheck> $checks
     *
     * @return non-empty-list<ReadinessCheck>
     */
    private static function since(Holds $holds, array $checks, string $ladder): array
    {
        $latest = null;
        foreach ($holds->cleared as $hold) {
            $latest = $hold->posture === $ladder || '' === $hold->posture ? max($latest, $hold->cleared?->on) : $latest;
        }
        $checks = ReadinessCheck::worstOfEachDay($checks);
        $kept = array_values(array_filter($checks, static fn (ReadinessCheck $check): bool => null === $latest || $check->on > $latest));

        return [] === $kept ? [$checks[count($checks) - 1]] : $kept;
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
        return $ladder->has($rung) ? $rung : throw InvalidValue::because($field, sprintf('"%s" is no rung of %s.', $rung, $ladder->id));
    }
}
