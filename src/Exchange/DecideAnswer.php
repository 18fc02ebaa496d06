<?php

declare(strict_types=1);

namespace LucidAscent\App\Exchange;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Twig\ReasonExtension;
use LucidAscent\Core\Body\InvalidValue;
use LucidAscent\Core\Posture\Ladder;
use LucidAscent\Core\Progression\Decide;
use LucidAscent\Core\Progression\History;
use LucidAscent\Core\Progression\ReadinessCheck;
use LucidAscent\Core\Readiness\State;
use LucidAscent\Core\Reason\Reason;

/** What comes next on a rung, out of its session logs, in the JSON shape that the command line prints. */
final readonly class DecideAnswer
{
    public function __construct(private Catalogue $catalogue, private ReasonExtension $texts)
    {
    }

    /**
     * {"posture", "rung", "next": "open|near|short|unknown|held", "sessions": [{"on", "rung"?, "holdReached",
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
        $checks = [];
        foreach ($document->objects('sessions') as $session) {
            $check = new ReadinessCheck(
                self::known($ladder, $session->text('rung', $rung), 'rung'),
                Day::of('on', $session->text('on')),
                $session->flag('holdReached'),
                $session->flag('evenBreath'),
                PainFields::of($session),
                $session->texts('compensations'),
                $session->flag('soreAtNight'),
            );
            $checks[serialize($check)] = $check;
        }
        if ([] === $checks) {
            throw InvalidValue::because('sessions', 'are none: a decision rests on what was practised.');
        }
        $checks = array_values($checks);
        usort($checks, static fn (ReadinessCheck $a, ReadinessCheck $b): int => $a->on <=> $b->on);
        $next = State::tryFrom($document->text('next', State::Unknown->value)) ?? throw InvalidValue::because('next', 'is open, near, short, unknown or held.');
        $history = new History($ladder, $checks, $next->isInReach(), false);
        $proposal = Decide::proposal($history);

        return [
            'decision' => $proposal->step->value,
            'rung' => $history->rung()->id,
            'rungAfter' => Decide::rungAfter($history, $proposal->step)->id,
            'reasons' => array_map(fn (Reason $reason): array => ['code' => $reason->code, 'text' => $this->texts->text($reason), 'source' => $reason->source->value] + $reason->numbers, $proposal->reasons),
            'restsOn' => array_map(static fn (ReadinessCheck $check): string => $check->day(), $proposal->restsOn),
            'choices' => array_map(static fn ($step): string => $step->value, Decide::choices($history, $proposal)),
        ];
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
