<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Exchange\Fields;
use LucidAscent\Core\Body\InvalidValue;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** One JSON document on stdin, one on stdout; what cannot be read at all is said on stderr, with status 2. */
abstract class DocumentCommand extends Command
{
    /**
     * @return array<string, mixed>
     *
     * @throws InvalidValue when the document as a whole cannot be answered
     */
    abstract protected function answer(Fields $document): array;

    final protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $text = (string) stream_get_contents(STDIN);
        try {
            $document = json_decode($text, true, 512, JSON_THROW_ON_ERROR);
            $answer = json_encode($this->answer(Fields::of($document)), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
        } catch (\JsonException $e) {
            return $this->refuse($output, 'The document cannot be read as JSON: '.$e->getMessage().'.');
        } catch (InvalidValue $e) {
            return $this->refuse($output, $e->getMessage());
        }
        $output->writeln($answer, OutputInterface::OUTPUT_RAW);

        return Command::SUCCESS;
    }

    private function refuse(OutputInterface $output, string $message): int
    {
        ($output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output)->writeln($message, OutputInterface::OUTPUT_RAW);

        return 2;
    }
}
