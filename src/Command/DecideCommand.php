<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Exchange\DecideAnswer;
use LucidAscent\App\Exchange\EventList;
use LucidAscent\App\Json\Fields;
use Symfony\Component\Console\Attribute\AsCommand;

#[AsCommand(
    'ascent:decide',
    'Says what comes next on a rung, from its session logs. JSON in, JSON out.',
)]
final class DecideCommand extends DocumentCommand
{
    public function __construct(private readonly DecideAnswer $answer)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->setHelp(
            <<<'TEXT'
                Reads
                  "posture", "rung", "side"    without a side, what holds either side counts
                  "next"           open, near, unknown, first, short or held: the next rung's state; held is a stop
                  "sessions"       each {"on","holdReached","evenBreath","pain","compensations","soreAtNight"}
                  "conditions", "events"
                  "on"             the day it is asked; without it that of the last session
                Prints the decision, its reasons, and the sessions they rest on.

                For example:
                  {"posture":"half-lotus","rung":"lying-half-lotus","side":"left","next":"open",
                   "sessions":[{"on":"2026-03-02","holdReached":true,"evenBreath":true,"pain":{"level":0}},
                               {"on":"2026-03-04","holdReached":true,"evenBreath":true,"pain":{"level":0}}],
                   "events":[{"event":"pain","on":"2026-03-05","side":"left","pain":{"level":4,"place":"knee",
                   "kind":"sharp"}}]}


                TEXT

                .EventList::HELP.self::KINDS,
        );
    }

    protected function answer(Fields $document): array
    {
        return $this->answer->of($document);
    }
}
