<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Exchange\DecideAnswer;
use LucidAscent\App\Exchange\EventList;
use LucidAscent\App\Json\Fields;
use Symfony\Component\Console\Attribute\AsCommand;

#[AsCommand(
    'ascent:decide',
    'Says what comes next on a rung, out of its session logs: JSON on stdin, JSON on stdout.',
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
                {"posture","rung","side","next":"open|near|unknown|first|short|held","sessions":[{"on","holdReached",
                "evenBreath","pain",
                "compensations","soreAtNight"}],"conditions",
                "events"} and prints the decision with its reasons and the sessions they rest on.
                Without "side", what holds either side counts; without "on", it is asked on the day of the last session.
                "next":"held" is a stop.

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
