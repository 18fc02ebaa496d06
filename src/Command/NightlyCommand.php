<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use Doctrine\ORM\EntityManagerInterface;
use LucidAscent\App\Entity\Role;
use LucidAscent\App\Entity\Teacher;
use LucidAscent\App\Person\MostUrgent;
use LucidAscent\App\Repository\Forgotten;
use LucidAscent\App\Security\TeachersClock;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/**
 * What a new day asks of the records before anybody opens a page: who needs somebody, for each teacher whose day has
 * begun, and what is kept for a while alone goes. Ended half way it goes on from there.
 */
#[AsCommand(name: 'ascent:nightly', description: 'Works out who needs somebody today, and forgets what has had its time')]
final class NightlyCommand extends Command
{
    /** So many people at a time; then all that was read of them is let go. */
    private const AT_ONCE = 50;

    public function __construct(
        private readonly EntityManagerInterface $em,
        private readonly TeachersClock $clock,
        private readonly MostUrgent $urgent,
        private readonly Forgotten $forgotten,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('seconds', null, InputOption::VALUE_REQUIRED, 'Ends after so many; the next time goes on');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $seconds = $input->getOption('seconds');
        $end = is_numeric($seconds) ? microtime(true) + (float) $seconds : INF;
        $teachers = $this->em
            ->createQuery('SELECT t.id FROM '.Teacher::class.' t ORDER BY t.id')
            ->getSingleColumnResult();
        $people = 0;
        foreach ($teachers as $i => $id) {
            do {
                $this->em->clear();
                $teacher = $this->em->find(Teacher::class, $id);
                if (!$teacher instanceof Teacher || Role::Left === $teacher->role()) {
                    break;
                }
                $this->clock->standIn($teacher);
                $done = $this->urgent->prepare($teacher, self::AT_ONCE);
                $people += $done;
            } while (self::AT_ONCE === $done && microtime(true) < $end);
            $isOver = microtime(true) >= $end;
            if ($isOver || 0 === ($i + 1) % 20 || count($teachers) === $i + 1) {
                $output->writeln(sprintf('%d of %d teachers, %d people.', $i + 1, count($teachers), $people));
            }
            if ($isOver) {
                break;
            }
        }
        $output->writeln(sprintf('%d rows that had their time are gone.', $this->forgotten->forget()));

        return self::SUCCESS;
    }
}
