<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Device\PictureFiles;
use LucidAscent\App\Device\PicturesInFolder;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Exception\InvalidArgumentException;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Pictures from where they lie into a folder, and back, sealed as they are. */
#[AsCommand('ascent:pictures', 'Copies all pictures, sealed as they are: "out" into a folder, or "in" from it')]
final class PicturesCommand extends Command
{
    public function __construct(private readonly PictureFiles $files)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('way', InputArgument::REQUIRED, '"out" or "in"')
            ->addArgument('folder', InputArgument::REQUIRED, 'A folder of this machine');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $folder = new PicturesInFolder((string) $input->getArgument('folder'));
        [$from, $into] = match ($input->getArgument('way')) {
            'out' => [$this->files, $folder],
            'in' => [$folder, $this->files],
            default => throw new InvalidArgumentException('Say "out" or "in".'),
        };
        $copied = 0;
        foreach ($from->names() as $name) {
            $bytes = $from->read($name);
            // One that has been removed meanwhile is no loss.
            if (null !== $bytes) {
                $into->write($name, $bytes);
                ++$copied;
            }
        }
        $output->writeln("$copied pictures.");

        return self::SUCCESS;
    }
}
