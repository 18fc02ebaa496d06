<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Exchange\EventList;
use LucidAscent\App\Exchange\ProgressAnswer;
use LucidAscent\App\Json\Fields;
use Symfony\Component\Console\Attribute\AsCommand;

#[AsCommand('ascent:progress', 'Tells real progress from measuring error. JSON in, JSON out.')]
final class ProgressCommand extends DocumentCommand
{
    public function __construct(private readonly ProgressAnswer $answer)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->setHelp(
            <<<'TEXT'
                Reads what ascent:assess reads, with tests of as many days as there are, and
                  "goal"    {"posture","rung"}
                Prints for each side and ability:
                  the measurements, the change from first to last, and how large it must be to be more than error
                  ("smallestReal")
                  the trend a month, with its interval and the chance that it is real
                  a step, where the level changed at once
                  when the goal will be met, as a range with its chance; null where it is met already, on hold, or not
                  reached by this work ("because" says which)

                For example:
                  {"on":"2026-05-01","body":{"stature":170},"goal":{"posture":"half-lotus","rung":"seated-half-lotus"},
                   "tests":[{"test":"shins-stacked","side":"left","on":"2026-02-01","trials":[{"kneeHeight":22,
                   "ankleHeight":10}]},
                            {"test":"shins-stacked","side":"left","on":"2026-03-01","trials":[{"kneeHeight":21,
                            "ankleHeight":10}]},
                            {"test":"shins-stacked","side":"left","on":"2026-04-01","trials":[{"kneeHeight":19.5,
                            "ankleHeight":10}]}]}


                TEXT

                .EventList::HELP.self::KINDS,
        );
    }

    protected function answer(Fields $document): array
    {
        return $this->answer->of($document);
    }
}
