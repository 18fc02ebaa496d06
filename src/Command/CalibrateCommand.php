<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Catalogue\Catalogue;
use LucidAscent\App\Catalogue\Kind;
use LucidAscent\App\Exchange\CalibrationAnswer;
use LucidAscent\App\Exchange\CalibrationReport;
use LucidAscent\App\Exchange\Out;
use LucidAscent\App\Exchange\UnwrittenAnswer;
use LucidAscent\Core\Calibration\Calibrate;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Helper\ProgressBar;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\NullOutput;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Console\Output\StreamOutput;

#[AsCommand(
    'ascent:calibrate',
    'Checks verdicts against made-up people whose true range is known. JSON out.',
)]
final class CalibrateCommand extends Command
{
    private const MOST_PEOPLE = 100_000;
    private const MOST_SEED = 2_147_483_647;

    public function __construct(private readonly Catalogue $catalogue)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('people', null, InputOption::VALUE_REQUIRED, 'How many people are made.', '2000');
        $this->addOption(
            'seed',
            null,
            InputOption::VALUE_REQUIRED,
            'What their chance begins with: the same seed makes the same people.',
            '1',
        );
        $this->addOption(
            'into',
            null,
            InputOption::VALUE_REQUIRED,
            'A folder: validation.md and validation.svg are written there as well.',
        );
        $this->setHelp(
            <<<'TEXT'
                Makes people whose bodies and ranges are known, measures them with tools that err as they are said to,
                and compares the verdicts with the truth. 2000 people take a few minutes. Prints:
                  open, short      how many verdicts of each there were, and how many of them were wrong (%)
                  near, unknown    their share of all verdicts (%)
                  chances          chance that was stated against what happened (%), by tenths
                  intervals        how many 95 % intervals hold the truth (%), in all and for each ability
                  asWanted         the same for the pose each person came for, once nothing more was worth measuring
                  readings         how many measurements that took, in the proposed order and in teaching order
                  aims             each aim, its value, and whether it is met; null where there are too few to say
                TEXT,
        );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $people = self::whole($input->getOption('people'), 1, self::MOST_PEOPLE);
        $seed = self::whole($input->getOption('seed'), 0, self::MOST_SEED);
        $into = $input->getOption('into');
        if (null === $people || null === $seed) {
            $errors->writeln(
                null === $people
                    ? sprintf('--people must be a whole number from 1 to %d.', self::MOST_PEOPLE)
                    : sprintf('--seed must be a whole number from 0 to %d.', self::MOST_SEED),
                OutputInterface::OUTPUT_RAW,
            );

            return Command::INVALID;
        }
        if (null !== $into && (!is_string($into) || !is_dir($into) || !is_writable($into))) {
            $errors->writeln('--into must be a folder that can be written to.', OutputInterface::OUTPUT_RAW);

            return Command::INVALID;
        }
        $wanted = array_keys(
            array_filter(
                $this->catalogue->shipped(Kind::Posture),
                static fn (array $posture): bool => true === ($posture['target'] ?? false),
            ),
        );
        // How far it is stands beside the answer, and only where somebody looks.
        $progress = new ProgressBar(
            $errors instanceof StreamOutput && stream_isatty($errors->getStream()) ? $errors : new NullOutput(),
            $people,
        );
        $found = (new Calibrate(
            $this->catalogue->tests(),
            $this->catalogue->postures(),
            [] === $wanted ? throw new \LogicException('Nobody wants any pose.') : $wanted,
        ))->run($people, $seed, static fn () => $progress->advance());
        $progress->clear();
        try {
            if (null !== $into) {
                foreach (CalibrationReport::of($found) as $name => $text) {
                    false === @file_put_contents("$into/$name", $text) && throw UnwrittenAnswer::here();
                }
            }
            Out::line($output, Out::json(CalibrationAnswer::of($found)));
        } catch (UnwrittenAnswer $e) {
            $errors->writeln($e->getMessage(), OutputInterface::OUTPUT_RAW);

            return Command::FAILURE;
        }

        return Command::SUCCESS;
    }

    private static function whole(mixed $option, int $least, int $most): ?int
    {
        $number = filter_var($option, FILTER_VALIDATE_INT, [
            'options' => ['min_range' => $least, 'max_range' => $most],
        ]);

        return false === $number ? null : $number;
    }
}
