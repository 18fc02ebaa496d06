<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\CatalogueDocument;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Figure\FigureGaps;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('ascent:catalogue', 'Lists the library as JSON, checks it, or prints all of it.')]
final class CatalogueCommand extends Command
{
    public function __construct(private readonly Catalogue $catalogue)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption(
            'format',
            null,
            InputOption::VALUE_REQUIRED,
            'json: everything as one document, with what is derived, as catalogue/schema/catalogue.json says',
        );
        $this->addOption(
            'check',
            null,
            InputOption::VALUE_NONE,
            'Check the files as they are now; each fault on stderr with its file and line, and a status other than 0',
        );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $folder = $this->catalogue->folder();
        $faults =
            true === $input->getOption('check')
                ? [...$folder->faults, ...$folder->gaps(), ...FigureGaps::inFolder($folder)]
                : [];
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $format = $input->getOption('format');
        if (null !== $format && 'json' !== $format) {
            $errors->writeln('There is one format: json.', OutputInterface::OUTPUT_RAW);

            return Command::INVALID;
        }
        if ([] !== $faults) {
            foreach ($faults as $fault) {
                $errors->writeln((string) $fault, OutputInterface::OUTPUT_RAW);
            }

            return Command::FAILURE;
        }
        if ('json' === $format) {
            $output->writeln(
                json_encode(
                    CatalogueDocument::of($folder->entries),
                    JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
                ),
                OutputInterface::OUTPUT_RAW,
            );

            return Command::SUCCESS;
        }
        $listed = ['counts' => []];
        foreach (Kind::cases() as $kind) {
            $ids = array_map(strval(...), array_keys($folder->entries[$kind->value]));
            $listed['counts'][$kind->folder()] = count($ids);
            $listed[$kind->folder()] = $ids;
        }
        $output->writeln(json_encode($listed, JSON_THROW_ON_ERROR), OutputInterface::OUTPUT_RAW);

        return Command::SUCCESS;
    }
}
