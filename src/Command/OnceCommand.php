<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Lock\Exception\ExceptionInterface;
use Symfony\Component\Lock\LockFactory;
use Symfony\Component\Process\Process;

/** What several machines may be told to do at the same hour, and one is to do. */
#[AsCommand(name: 'ascent:once', description: 'Does something on one machine at a time, of all that share a database')]
final class OnceCommand extends Command
{
    /** A machine that died at it is waited for so long. */
    private const SECONDS = 20.0;
    private const EVERY_SECONDS = 1;

    public function __construct(
        private readonly LockFactory $locks,
        #[Autowire('%kernel.project_dir%')]
        private readonly string $root,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('what', InputArgument::REQUIRED, 'What it is called, so that the others wait for it')
            ->addArgument('line', InputArgument::IS_ARRAY | InputArgument::REQUIRED, 'The command, and what it takes');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        /** @var list<string> $command */
        $command = $input->getArgument('line');
        $lock = $this->locks->createLock('once '.$input->getArgument('what'), self::SECONDS);
        while (!$lock->acquire()) {
            sleep(self::EVERY_SECONDS);
        }
        $process = new Process([PHP_BINARY, "$this->root/bin/console", '--no-interaction', ...$command], timeout: null);
        $process->start(static function (string $type, string $text) use ($output): void {
            $output->write($text);
        });
        try {
            while ($process->isRunning()) {
                sleep(self::EVERY_SECONDS);
                $lock->refresh();
            }

            return $process->getExitCode() ?? self::FAILURE;
        } catch (ExceptionInterface) {
            // Somebody else is at it now.
            $process->stop();

            return self::FAILURE;
        } finally {
            $lock->release();
        }
    }
}
