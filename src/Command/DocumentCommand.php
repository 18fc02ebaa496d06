<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Exchange\DocumentStream;
use LucidAscent\App\Exchange\Out;
use LucidAscent\App\Exchange\UnreadableDocument;
use LucidAscent\App\Exchange\UnwrittenAnswer;
use LucidAscent\App\Json\Failure;
use LucidAscent\App\Json\Fields;
use LucidAscent\App\Json\JsonText;
use LucidAscent\Core\Body\InvalidValue;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/**
 * One JSON document on stdin, or many, one a line; as many answers on stdout, one a line, in the same order.
 *
 * What cannot be answered at all is said on stderr and makes the status 2. Among many documents it also keeps
 * its place on stdout, as {"error":{"code","message"}}, so that answers and documents can be counted off.
 */
abstract class DocumentCommand extends Command
{
    protected const KINDS =
        "\n\nOne document, or many as NDJSON (one a line); the answers come the same way. Of many, one that cannot be ".
        'answered gets {"error":{"code","message"}} in its place, the others are answered, and the status is 2.';

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidValue when the document as a whole cannot be answered
     */
    abstract protected function answer(Fields $document): array;

    final protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $status = Command::SUCCESS;
        $documents = DocumentStream::read(STDIN);
        foreach ($documents as $line => $text) {
            try {
                $answer = $this->answer(Fields::of(self::decoded($text)));
            } catch (InvalidValue|UnreadableDocument $e) {
                $status = max(2, $status);
                $message = $e->getMessage();
                $this->complain($output, $documents->isMany() ? sprintf('Line %d: %s', $line, $message) : $message);
                if (!$documents->isMany()) {
                    break;
                }
                $answer = Failure::of($e instanceof InvalidValue ? 'bad-input' : 'unreadable', $message);
            }
            try {
                Out::line($output, Out::json($answer));
            } catch (UnwrittenAnswer $e) {
                $this->complain($output, $e->getMessage());

                return 1;
            }
        }

        return $status;
    }

    private static function decoded(string $text): mixed
    {
        DocumentStream::isTooMuch($text)
            && throw UnreadableDocument::tooMuch(DocumentStream::LONGEST_BYTES, DocumentStream::MOST_PARTS);
        try {
            return JsonText::read($text, 512);
        } catch (\JsonException $e) {
            throw UnreadableDocument::notJson($e->getMessage());
        }
    }

    private function complain(OutputInterface $output, string $message): void
    {
        ($output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output)->writeln(
            $message,
            OutputInterface::OUTPUT_RAW,
        );
    }
}
