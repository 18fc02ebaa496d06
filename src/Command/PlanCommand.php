<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Exchange\EventList;
use LucidAscent\App\Exchange\PlanAnswer;
use LucidAscent\App\Json\Fields;
use Symfony\Component\Console\Attribute\AsCommand;

#[AsCommand('ascent:plan', 'Plans weeks of practice out of an assessment: JSON on stdin, JSON on stdout.')]
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
                Reads what ascent:assess reads, and {"weeks","days","minutes","props"}, and, to mix schools,
                {"schoolByDay":{"tue":"long-still"}}; prints weeks with their sessions, each with its theme and the time
                that nothing fills ("unused") and why, what was left out and
                why, and when to test again. Without days, weeks or minutes it says so and ends with status 2. "props"
                says what is at home:
                {"blocks":2,"blankets":3,
                "strap":true}, and false for any of "bolster", "cushion", "wall", "chair" and "bed-edge" that is not
                there; or "equipment" names each piece: ["block","block","blanket","strap","wall"]. "pinned" and
                "forbidden" are postures and drills that the teacher wants in it, as far as nothing holds them, and
                those that are never to be in it; "sequence" is what they
                want in that order, whatever stance it is in; "sportDays" are days with another
                sport. An item is a posture on its rung (with "form", a form beside that rung) or a drill in the posture
                that it uses; "before" and "after" name the number to read, and "tradesAway" is what a session has no
                room for.

                TEXT

                .EventList::HELP.self::KINDS,
        );
    }

    protected function answer(Fields $document): array
    {
        return $this->answer->of($document);
    }
}
