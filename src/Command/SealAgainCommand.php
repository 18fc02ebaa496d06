<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Device\PictureStore;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('ascent:seal-again', 'Seals each picture with the newest key, whatever it was sealed with')]
final class SealAgainCommand extends Command
{
    public function __construct(private readonly PictureStore $pictures)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        [$sealed, $shut] = $this->pictures->sealAgain();
        $output->writeln("Sealed: $sealed. Not opened by any key that is here: $shut.");

        return 0 === $shut ? self::SUCCESS : self::FAILURE;
    }
}
