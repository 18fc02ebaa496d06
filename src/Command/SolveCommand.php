<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Exchange\CaseStream;
use LucidAscent\App\Exchange\Out;
use LucidAscent\App\Exchange\SolveCase;
use LucidAscent\App\Exchange\UnreadableDocument;
use LucidAscent\App\Exchange\UnwrittenAnswer;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('ascent:solve', 'Turns measurements into joint angles. JSON in, JSON out.')]
final class SolveCommand extends Command
{
    /** Results beyond this many bytes wait in a temporary file, not in memory. */
    private const KEEP_IN_MEMORY = 2 << 20;
    private const CHUNK = 65536;

    protected function configure(): void
    {
        $this->setHelp(
            'Reads {"cases":[…]} and prints {"results":[…]} in the same order. A case that cannot be '.
                'solved is answered by {"error":{"code","message"}} in its place. A document that cannot be read '.
                'prints nothing on stdout, a message on stderr, and ends with status 2.',
        );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        // Held back until the whole document has proved readable: half an answer looks like a whole one.
        $results =
            fopen('php://temp/maxmemory:'.self::KEEP_IN_MEMORY, 'w+') ?:
            throw new \RuntimeException('No temporary file can be opened.');
        try {
            $separator = '';
            foreach (CaseStream::elements(STDIN, 'cases') as $case) {
                Out::write($results, $separator.Out::json(SolveCase::answerText($case)));
                $separator = ',';
            }
            rewind($results);
            Out::write(STDOUT, '{"results":[');
            while (!feof($results)) {
                Out::write(STDOUT, (string) fread($results, self::CHUNK));
            }
            Out::write(STDOUT, "]}\n");
        } catch (UnreadableDocument|UnwrittenAnswer $e) {
            ($output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output)->writeln(
                $e->getMessage(),
            );

            return $e instanceof UnwrittenAnswer ? 1 : 2;
        }

        return Command::SUCCESS;
    }
}
