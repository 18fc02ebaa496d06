<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\PasswordChange;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Security\PasswordRule;
use LucidAscent\App\Security\SecondFactors;
use Psr\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\Console\Style\SymfonyStyle;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Uid\Uuid;
use Symfony\Contracts\Translation\TranslatorInterface;

#[AsCommand('ascent:teacher', 'Adds an account for a teacher, or sets a new password for one.')]
final class TeacherCommand extends Command
{
    public function __construct(
        private readonly EntityManagerInterface $em,
        private readonly UserPasswordHasherInterface $hasher,
        private readonly ClockInterface $clock,
        private readonly PasswordRule $rule,
        private readonly TranslatorInterface $translator,
        private readonly SecondFactors $factors,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('email', InputArgument::REQUIRED, 'The address to sign in with')
            ->addArgument('name', InputArgument::OPTIONAL, 'The teacher\'s name (for a new account)')
            ->addOption(
                'time-zone',
                null,
                InputOption::VALUE_REQUIRED,
                'Where the teacher\'s days begin and end, such as Europe/Oslo',
            )
            ->addOption('no-second-factor', null, InputOption::VALUE_NONE, 'The app with the codes is lost: it ends')
            ->setHelp('The password is asked for, or read as one line from stdin when that is not a terminal.');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $io = new SymfonyStyle($input, $output);
        $email = mb_strtolower(trim((string) $input->getArgument('email')));
        if ('' === $email || false === filter_var($email, \FILTER_VALIDATE_EMAIL) || mb_strlen($email) > 180) {
            $io->getErrorStyle()->error('That is no e-mail address.');

            return Command::FAILURE;
        }
        $teacher = $this->em->getRepository(Teacher::class)->findOneBy(['email' => $email]);
        $name = trim((string) $input->getArgument('name'));
        if (null === $teacher && ('' === $name || mb_strlen($name) > 120)) {
            $io->getErrorStyle()->error('A new account needs a name of up to 120 characters.');

            return Command::FAILURE;
        }
        $zone = $input->getOption('time-zone');
        if (null !== $zone && !in_array($zone, \DateTimeZone::listIdentifiers(), true)) {
            $io->getErrorStyle()->error(sprintf('There is no time zone "%s": write one such as Europe/Oslo.', $zone));

            return Command::FAILURE;
        }
        $password = stream_isatty(STDIN) ? (string) $io->askHidden('Password') : rtrim((string) fgets(STDIN), "\r\n");
        $fault = $this->rule->fault($password, [$email, $teacher->name ?? $name]);
        if (null !== $fault) {
            $io->getErrorStyle()->error($this->translator->trans($fault));

            return Command::FAILURE;
        }
        $isNew = null === $teacher;
        $teacher ??= new Teacher(Uuid::v7(), $email, $name, $this->clock->now());
        $teacher->changePassword($this->hasher->hashPassword($teacher, $password));
        if (null !== $zone) {
            $teacher->moveTo($zone);
        }
        $this->em->persist($teacher);
        if (!$isNew) {
            $this->em->persist(new PasswordChange(Uuid::v7(), $teacher, $this->clock->now()));
        }
        $this->em->flush();
        if (true === $input->getOption('no-second-factor')) {
            $this->factors->end($teacher);
        }
        $output->writeln($isNew ? "An account for $email was made." : "The password of $email was changed.");

        return Command::SUCCESS;
    }
}
