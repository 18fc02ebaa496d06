<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Device\PictureStore;
use LucidAscent\App\Repository\SealedColumns;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('ascent:seal-again', 'Seals pictures and words about health with the newest key')]
final class SealAgainCommand extends Command
{
    public function __construct(private readonly PictureStore $pictures, private readonly SealedColumns $words)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('unsealed', null, InputOption::VALUE_NONE, 'Only words that were never sealed');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $isAll = true !== $input->getOption('unsealed');
        [$pictures, $shut] = $isAll ? $this->pictures->sealAgain() : [0, 0];
        [$words, $dumb] = $this->words->sealAgain($isAll);
        $shut += $dumb;
        $output->writeln("Sealed: $pictures pictures, $words words. Not opened by any key that is here: $shut.");

        return 0 === $shut ? self::SUCCESS : self::FAILURE;
    }
}
