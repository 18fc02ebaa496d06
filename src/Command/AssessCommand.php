<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Exchange\AssessAnswer;
use LucidAscent\App\Exchange\EventList;
use LucidAscent\App\Json\Fields;
use Symfony\Component\Console\Attribute\AsCommand;

#[AsCommand(
    'ascent:assess',
    'Says which pose is ready, what is on hold and what comes first. JSON in, JSON out.',
)]
final class AssessCommand extends DocumentCommand
{
    public function __construct(private readonly AssessAnswer $answer)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->setHelp(
            <<<'TEXT'
                Reads {"on","body","conditions","tests","seen","gates","events","wanted","school"} and prints poses,
                restriction, held, route, keystone, nextReading and norms. What could not be read stands under "unread";
                the rest is answered, and what it says of pain holds.

                For example:
                  {"on":"2026-03-09","body":{"stature":170},"wanted":["half-lotus"],
                   "tests":[{"test":"soles-together","side":"both","trials":[{"kneeHeight":14,"heelDistance":20}]}],
                   "seen":[{"posture":"half-lotus","rung":"lying-half-lotus","side":"left","clean":true,
                   "on":"2026-03-08"}],
                   "gates":[{"gate":"elbow-to-sole","side":"left","met":true}],
                   "events":[{"event":"pain","side":"right","on":"2026-03-01","pain":{"level":2,"place":"knee",
                   "kind":"ache"}},
                             {"event":"clearance","clears":["events[0]"],"by":"teacher","name":"Ilka",
                             "asked":true,"allows":"all","on":"2026-03-05"}]}

                "purposes" says what a wanted pose is for: {"pigeon":"front-of-hip"}; one of back-of-hip, front-of-hip,
                sitting, bind, knee (for its sake) and show. "elsewhere" is what else is done:
                [{"kind":"lesson","minutes":75,"on":"2026-03-08"}], kind: lesson, teaching, running, cycling, climbing,
                strength or other.

                A whole record, as ascent:export prints it, is answered as the pages answer of that person today.


                TEXT

                .EventList::HELP.self::KINDS,
        );
    }

    protected function answer(Fields $document): array
    {
        return $this->answer->of($document);
    }
}
