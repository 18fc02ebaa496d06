<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Audit\Action;
use LucidAscent\App\Audit\AuditTrail;
use LucidAscent\App\Audit\Place;
use LucidAscent\App\Device\PictureStore;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Repository\CarriedIds;
use LucidAscent\App\Repository\PersonRows;
use Psr\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Console\Style\SymfonyStyle;
use Symfony\Component\Uid\Uuid;

#[AsCommand(
    'ascent:person',
    'Erases a person, moves one to another account, or merges two entries of one person. Run it with bin/person.',
)]
final class PersonCommand extends Command
{
    public function __construct(
        private readonly EntityManagerInterface $em,
        private readonly PersonRows $rows,
        private readonly CarriedIds $carried,
        private readonly PictureStore $pictures,
        private readonly ClockInterface $clock,
        private readonly AuditTrail $audit,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('what', InputArgument::REQUIRED, 'erase, move or merge')
            ->addArgument('id', InputArgument::REQUIRED, 'Who, as ascent:export lists the ids')
            ->addArgument(
                'other',
                InputArgument::OPTIONAL,
                'move: the address of the other teacher; merge: the id that stays',
            )
            ->addOption('teacher', null, InputOption::VALUE_REQUIRED, 'The address that the teacher signs in with')
            ->setHelp('It asks twice: for the name of the person, and for the word itself.');
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
        $what = (string) $input->getArgument('what');
        if ('erase-again' === $what) {
            return $this->eraseAgain($output);
        }
        if (!in_array($what, ['erase', 'move', 'merge'], true)) {
            return $fail('Say erase, move or merge.');
        }
        $teacher = $this->teacher((string) $input->getOption('teacher'));
        if (null === $teacher) {
            return $fail('Say whose person it is, by an address that somebody signs in with: --teacher=EMAIL.');
        }
        $person = $this->person($teacher, (string) $input->getArgument('id'));
        if (null === $person) {
            return $fail('This teacher has nobody with that id.');
        }
        $other = (string) $input->getArgument('other');
        $into = 'merge' === $what ? $this->person($teacher, $other) : null;
        $to = 'move' === $what ? $this->teacher($other) : null;
        if ('merge' === $what && (null === $into || $into === $person)) {
            return $fail('Say into whom: the id of another person of the same teacher.');
        }
        if ('move' === $what && (null === $to || $to === $teacher)) {
            return $fail('Say to whom: the address of another teacher who has an account.');
        }
        if (
            null !== $to
            && null !==
                $this->carried->person(
                    $to,
                    Uuid::fromString($this->carried->of($person)[(string) $person->id] ?? (string) $person->id),
                )
        ) {
            return $fail(
                'The other teacher has this person already: read the record into it (ascent:import) instead.',
            );
        }
        $io = new SymfonyStyle($input, $output);
        $io->writeln(
            match (true) {
                null !== $to => "$person->name goes to the account of $to->name. "
                .'Addresses of calendars and own pages that were given out end.',
                null !== $into => "Everything about $person->name becomes part of the record of $into->name.",
                default => "Everything about $person->name is removed from the database, for good.",
            },
        );
        // Once for who it is, once for what it is.
        foreach (
            ['The name, to be sure' => $person->name, "And the word $what" => $what] as $question => $expected
        ) {
            if (trim((string) $io->ask($question)) !== $expected) {
                return $fail('That is something else: nothing was done.');
            }
        }
        $this->audit->write(
            AuditTrail::CONSOLE,
            null,
            match ($what) {
                'erase' => Action::Erase,
                'move' => Action::Share,
                default => Action::Write,
            },
            Place::Record,
            $teacher->id,
            $person->id,
        );
        if ('erase' === $what) {
            [$rows, $pictures] = $this->erase($person->id);
            $output->writeln("Erased: $rows rows and $pictures pictures. The tombstone is $person->id.");
        } elseif (null !== $to) {
            $this->rows->move($person->id, $to->id);
            $output->writeln('Moved.');
        } elseif (null !== $into) {
            $this->rows->merge($person->id, $into->id);
            $output->writeln('Merged.');
        }

        return self::SUCCESS;
    }

    /** Those whose ids come on stdin: a backup of before they were erased was put back. */
    private function eraseAgain(OutputInterface $output): int
    {
        foreach (explode("\n", (string) stream_get_contents(STDIN)) as $id) {
            if (Uuid::isValid(trim($id))) {
                $this->erase(Uuid::fromString(trim($id)));
                $output->writeln(trim($id));
            }
        }

        return self::SUCCESS;
    }

    /** @return array{int, int} how many rows and pictures are gone */
    private function erase(Uuid $person): array
    {
        $pictures = $this->rows->pictures($person);
        $rows = $this->rows->erase($person, $this->clock->now());
        array_map($this->pictures->remove(...), $pictures);

        return [$rows, count($pictures)];
    }

    private function teacher(string $email): ?Teacher
    {
        $found = $this->em->getRepository(Teacher::class)->findOneBy(['email' => mb_strtolower(trim($email))]);

        return true === $found?->isClaimed() ? null : $found;
    }

    private function person(Teacher $teacher, string $id): ?Practitioner
    {
        return Uuid::isValid($id)
            ? $this->em->getRepository(Practitioner::class)->findOneBy([
                'id' => $this->carried->person($teacher, Uuid::fromString($id)) ?? Uuid::fromString($id),
                'teacher' => $teacher->id,
            ])
            : null;
    }
}
