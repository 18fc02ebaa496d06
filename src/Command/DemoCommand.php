<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Demo\LoadClasses;
use LucidAscent\App\Demo\LoadPeople;
use LucidAscent\App\Demo\MadeUpStudio;
use LucidAscent\App\Entity\Practitioner;
use LucidAscent\App\Entity\Role;
use LucidAscent\App\Entity\Sharing;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\Core\Calendar\Day;
use Psr\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\PasswordHasher\Hasher\UserPasswordHasherInterface;
use Symfony\Component\Uid\Uuid;

/** A made-up studio with eight made-up people and up to two years of their records. */
#[AsCommand('ascent:demo', 'Loads the demo data into an empty database; its password comes from DEMO_PASSWORD.')]
final class DemoCommand extends Command
{
    public const EMAIL = 'demo@studio.example';

    public function __construct(
        private readonly EntityManagerInterface $em,
        private readonly UserPasswordHasherInterface $hasher,
        private readonly ClockInterface $clock,
        private readonly LoadPeople $people,
        private readonly LoadClasses $classes,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if (0 < $this->em->getRepository(Teacher::class)->count()) {
            $output->writeln('There are accounts already: nothing was loaded.');

            return Command::SUCCESS;
        }
        $password = (string) ($_SERVER['DEMO_PASSWORD'] ?? '');
        if ('' === $password) {
            $output->writeln('DEMO_PASSWORD is empty.');

            return Command::FAILURE;
        }
        // All of it or none, and written down once.
        $this->em->wrapInTransaction(function () use ($password): void {
            $teacher = new Teacher(Uuid::v7(), self::EMAIL, 'Ilka Brandvold', $this->clock->now()->modify('-700 days'));
            $teacher->moveTo('Europe/Oslo');
            $teacher->changePassword($this->hasher->hashPassword($teacher, $password));
            $this->em->persist($teacher);
            $people = $this->people->of($teacher, MadeUpStudio::people());
            [] === $people ?: $this->classes->of($people);
            // What was loaded was read out of the database.
            $this->members($people[0]->teacher, $people[0], $password);
        });
        $output->writeln('The demo data is loaded.');

        return Command::SUCCESS;
    }

    /** A colleague, and an assistant with whom one record is shared. */
    private function members(Teacher $owner, Practitioner $shared, #[\SensitiveParameter] string $password): void
    {
        $owner->studio()->set('The Drift Loft', false);
        $add = function (string $email, string $name, Role $role) use ($owner, $password): Teacher {
            $at = $this->clock->now()->modify('-90 days');
            $member = new Teacher(Uuid::v7(), "$email@studio.example", $name, $at, $owner->studio(), $role);
            $member->changePassword($this->hasher->hashPassword($member, $password));
            $this->em->persist($member);

            return $member;
        };
        $add('colleague', 'Eirin Solbakk', Role::Teacher);
        $assistant = $add('assistant', 'Odd Lunde', Role::Assistant);
        $agreed = Day::midnight($this->clock->now()->modify('-30 days'));
        $this->em->persist(new Sharing(Uuid::v7(), $shared, $assistant, $agreed, null, $agreed, $owner));
    }
}
