<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Exchange\AssessAnswer;
use LucidAscent\App\Exchange\Fields;
use Symfony\Component\Console\Attribute\AsCommand;

#[AsCommand('ascent:assess', 'Reads which pose is ready, what holds it and what leads there: JSON on stdin, JSON on stdout.')]
final class AssessCommand extends DocumentCommand
{
    public function __construct(private readonly AssessAnswer $answer)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->setHelp('Reads {"on","body","conditions","tests","wanted","school"} and prints poses, restriction, held, route, keystone, '
            .'nextReading and norms. What could not be read stands under "unread"; the rest is answered.');
    }

    protected function answer(Fields $document): array
    {
        return $this->answer->of($document);
    }
}
