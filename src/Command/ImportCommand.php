<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Audit\Action;
use LucidAscent\App\Audit\AuditTrail;
use LucidAscent\App\Audit\Place;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Exchange\Out;
use LucidAscent\App\Exchange\Record\InvalidRecord;
use LucidAscent\App\Exchange\Record\RecordFile;
use LucidAscent\App\Repository\AskedPeople;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('ascent:import', 'Imports a full record from stdin into a teacher\'s account.')]
final class ImportCommand extends Command
{
    public function __construct(
        private readonly EntityManagerInterface $em,
        private readonly RecordFile $file,
        private readonly AskedPeople $people,
        private readonly AuditTrail $audit,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption(
            'teacher',
            null,
            InputOption::VALUE_REQUIRED,
            'The address that the teacher signs in with',
        )
            ->addOption('dry-run', null, InputOption::VALUE_NONE, 'Say what would be added, and add nothing')
            ->setHelp(
                <<<'TEXT'
                    Reads what ascent:export printed, a record or an archive with its pictures, and prints
                    {"added":n,"known":n,"refused":[{"what":…,
                    "because":…}]}. What is on record already stays as it is, so that reading a record twice adds
                    nothing. One of a newer version is refused whole, with status 2.
                    TEXT,
            );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $complain = static fn (string $why) => (
            $output instanceof ConsoleOutputInterface
            ? $output->getErrorOutput()
            : $output
        )->writeln($why, OutputInterface::OUTPUT_RAW);
        $email = mb_strtolower(trim((string) $input->getOption('teacher')));
        $teacher = '' === $email ? null : $this->em->getRepository(Teacher::class)->findOneBy(['email' => $email]);
        if (null === $teacher) {
            $complain('' === $email ? 'Say whose account: --teacher=EMAIL.' : "There is no teacher $email.");

            return 2;
        }
        try {
            $sent = tmpfile();
            if (false === $sent) {
                throw InvalidRecord::head('record', 'nothing can be written to the folder of temporary files.');
            }
            stream_copy_to_stream(STDIN, $sent, RecordFile::MOST_FILE);
            $answer = $this->file->read(
                stream_get_meta_data($sent)['uri'] ?? '',
                $teacher,
                (bool) $input->getOption('dry-run'),
            );
            $status = self::SUCCESS;
            foreach ($this->people->all() as $person) {
                $this->audit->write(AuditTrail::CONSOLE, null, Action::Write, Place::Record, $teacher->id, $person->id);
            }
        } catch (InvalidRecord $e) {
            $complain($e->getMessage());
            $answer = [
                'added' => 0,
                'known' => 0,
                'refused' => [['what' => 'record', 'because' => $e->getMessage()]],
            ];
            $status = 2;
        }
        Out::line($output, Out::json(array_intersect_key($answer, ['added' => 0, 'known' => 0, 'refused' => 0])));

        return $status;
    }
}
