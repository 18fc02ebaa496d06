<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Exchange\CapacityAnswer;
use LucidAscent\App\Json\Fields;
use Symfony\Component\Console\Attribute\AsCommand;

#[AsCommand('ascent:capacity', 'Turns tests into the range of motion of each side. JSON in, JSON out.')]
final class CapacityCommand extends DocumentCommand
{
    public function __construct(private readonly Catalogue $catalogue)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->setHelp(
            'Reads {"body":…,"tests":[…]} and prints {"left":…,"right":…,"unread":[…]}: by component the value, '.
                'its error (one standard deviation), whether it is exact or at-least, and the tests it rests on.'.
                self::KINDS,
        );
    }

    protected function answer(Fields $document): array
    {
        return CapacityAnswer::of($document, $this->catalogue->tests());
    }
}
