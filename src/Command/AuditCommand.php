<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Audit\AuditTrail;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('ascent:audit', 'Checks that who did what is written down as it was, and whole')]
final class AuditCommand extends Command
{
    public function __construct(private readonly AuditTrail $audit)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('seal', InputArgument::OPTIONAL, 'A seal of an earlier day, kept somewhere else', '')
            ->setHelp(
                <<<'TEXT'
                    Prints the seal of all entries, NUMBER:HASH. Keep it somewhere else: given again on a later day,
                    it proves that nothing up to it has been written anew. Status 1 and a line for each fault where
                    an entry is missing, has been changed, or is out of its place.
                    TEXT,
            );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        [$faults, $seal] = $this->audit->verify(trim((string) $input->getArgument('seal')));
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        foreach ($faults as $fault) {
            $errors->writeln($fault, OutputInterface::OUTPUT_RAW);
        }
        if ([] !== $faults) {
            return self::FAILURE;
        }
        $output->writeln($seal, OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }
}
