<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Exchange\EventList;
use LucidAscent\App\Exchange\PlanAnswer;
use LucidAscent\App\Json\Fields;
use Symfony\Component\Console\Attribute\AsCommand;

#[AsCommand('ascent:plan', 'Plans weeks of practice from an assessment. JSON in, JSON out.')]
final class PlanCommand extends DocumentCommand
{
    public function __construct(private readonly PlanAnswer $answer)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->setHelp(
            <<<'TEXT'
                Reads what ascent:assess reads, and
                  "weeks", "days", "minutes"    the time there is; without it the command ends with status 2
                  "schoolByDay"    another style on some days: {"tue":"long-still"}
                  "props"          what is at home: {"blocks":2,"blankets":3,"strap":true}, and false for any of
                                   "bolster", "cushion", "wall", "chair" and "bed-edge" that is not there
                  "equipment"      the same, piece by piece: ["block","block","blanket","strap","wall"]
                  "pinned"         postures and drills to include in each session, unless they are on hold
                  "forbidden"      postures and drills never to include
                  "sequence"       postures in this order
                  "sportDays"      days with another sport
                Prints weeks with their sessions, each with its theme; "unused" time and why; what was left out and why;
                and when to test again. An item is a posture on its rung ("form": a form beside that rung) or a drill
                in its posture. "before" and "after" name the number to measure; "tradesAway" is what a session has
                no room for.


                TEXT

                .EventList::HELP.self::KINDS,
        );
    }

    protected function answer(Fields $document): array
    {
        return $this->answer->of($document);
    }
}
