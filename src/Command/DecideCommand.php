<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Exchange\DecideAnswer;
use LucidAscent\App\Exchange\Fields;
use Symfony\Component\Console\Attribute\AsCommand;

#[AsCommand('ascent:decide', 'Says what comes next on a rung, out of its session logs: JSON on stdin, JSON on stdout.')]
final class DecideCommand extends DocumentCommand
{
    public function __construct(private readonly DecideAnswer $answer)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->setHelp('Reads {"posture","rung","next":"open|near|short|unknown|held","sessions":[{"on","holdReached","evenBreath","pain",'
            .'"compensations","soreAtNight"}]} and prints the decision with its reasons and the sessions they rest on.');
    }

    protected function answer(Fields $document): array
    {
        return $this->answer->of($document);
    }
}
