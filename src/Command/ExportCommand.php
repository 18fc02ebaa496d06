<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Audit\Action;
use LucidAscent\App\Audit\AuditTrail;
use LucidAscent\App\Audit\Place;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Exchange\Out;
use LucidAscent\App\Exchange\Record\Archive;
use LucidAscent\App\Exchange\Record\RecordDocument;
use LucidAscent\App\Exchange\Record\RecordTable;
use LucidAscent\App\Exchange\UnwrittenAnswer;
use LucidAscent\App\Repository\CarriedIds;
use LucidAscent\App\Repository\Records;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Uid\Uuid;

#[AsCommand('ascent:export', 'Lists a teacher\'s people, or exports the full record of one.')]
final class ExportCommand extends Command
{
    private const FORMATS = ['json', 'csv', 'zip'];

    public function __construct(
        private readonly EntityManagerInterface $em,
        private readonly Records $records,
        private readonly RecordDocument $document,
        private readonly RecordTable $table,
        private readonly Archive $archive,
        private readonly CarriedIds $carried,
        private readonly AuditTrail $audit,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('id', InputArgument::OPTIONAL, 'Whose record; without it, who there is')
            ->addOption('teacher', null, InputOption::VALUE_REQUIRED, 'The address that the teacher signs in with')
            ->addOption('format', null, InputOption::VALUE_REQUIRED, implode(', ', self::FORMATS), 'json')
            ->setHelp(
                <<<'TEXT'
                    Without an id: [{"id":…,"name":…}]. With one, that person's whole record: as JSON
                    (docs/formats/record-1.schema.json), its readings and logs as CSV (UTF-8, RFC 4180, one header row,
                    units in the header), or an archive with both, the plan as iCalendar, figures as SVG and the kept
                    pictures. ascent:import reads it back, and ascent:assess answers it.
                    TEXT,
            );
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $fail = static function (string $why) use ($output): int {
            ($output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output)->writeln(
                $why,
                OutputInterface::OUTPUT_RAW,
            );

            return 2;
        };
        $email = mb_strtolower(trim((string) $input->getOption('teacher')));
        $teacher = '' === $email ? null : $this->em->getRepository(Teacher::class)->findOneBy(['email' => $email]);
        $format = (string) $input->getOption('format');
        if (null === $teacher) {
            return $fail('' === $email ? 'Say whose people: --teacher=EMAIL.' : "There is no teacher $email.");
        }
        if (!in_array($format, self::FORMATS, true)) {
            return $fail(sprintf('There is no format "%s": %s.', $format, implode(', ', self::FORMATS)));
        }
        $id = $input->getArgument('id');
        try {
            if (null === $id) {
                Out::line(
                    $output,
                    json_encode(
                        array_map(
                            static fn (Practitioner $one): array => [
                                'id' => (string) $one->id,
                                'name' => $one->name,
                            ],
                            $this->records->practitioners($teacher),
                        ),
                        JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
                    ),
                );

                return self::SUCCESS;
            }
            $practitioner = Uuid::isValid($id)
                ? $this->em->getRepository(Practitioner::class)->findOneBy([
                    'id' => $this->carried->person($teacher, Uuid::fromString($id)) ?? Uuid::fromString($id),
                    'teacher' => $teacher->id,
                ])
                : null;
            if (!$practitioner instanceof Practitioner) {
                return $fail("This teacher has nobody with the id $id.");
            }
            $this->audit->write(
                AuditTrail::CONSOLE,
                null,
                Action::Export,
                Place::Record,
                $teacher->id,
                $practitioner->id,
            );
            $missing = 'zip' === $format ? $this->archive->missingPictures($practitioner) : 0;
            if ($missing > 0) {
                $fail("Pictures that are on record and not in the folder of pictures, so not in the archive: $missing.");
            }
            Out::raw(
                $output,
                match ($format) {
                    'csv' => $this->table->csv($this->document->of($practitioner)),
                    'zip' => $this->archive->of($practitioner),
                    default => RecordDocument::json($this->document->of($practitioner))."\n",
                },
            );
        } catch (UnwrittenAnswer $e) {
            $fail($e->getMessage());

            return 1;
        }

        return self::SUCCESS;
    }
}
