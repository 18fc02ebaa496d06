<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use LucidAscent\App\Device\StandIn;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Stands in for an inclinometer: everybody who connects hears the same leg, in the line protocol. */
#[AsCommand('ascent:inclinometer', 'Simulates an inclinometer on loopback, to try the test page without one.')]
final class InclinometerCommand extends Command
{
    protected function configure(): void
    {
        $this->addOption('port', null, InputOption::VALUE_REQUIRED, 'Port on 127.0.0.1', '33181')
            ->addOption('seed', null, InputOption::VALUE_REQUIRED, 'Seed of the scenario', '7')
            ->addOption('pid-file', null, InputOption::VALUE_REQUIRED, 'Where to write the process number', '')
            ->addOption('scenario', null, InputOption::VALUE_REQUIRED, 'calm or rough', 'calm');
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $scenario = (string) $input->getOption('scenario');
        if (!in_array($scenario, StandIn::SCENARIOS, true)) {
            $output->writeln('The scenario is calm or rough.');

            return Command::INVALID;
        }
        $server = @stream_socket_server('tcp://127.0.0.1:'.(int) $input->getOption('port'), $code, $message);
        if (false === $server) {
            $output->writeln('The port cannot be opened: '.$message);

            return Command::FAILURE;
        }
        stream_set_blocking($server, false);
        if ('' !== $pidFile = (string) $input->getOption('pid-file')) {
            file_put_contents($pidFile, getmypid());
        }
        $leg = new StandIn((int) $input->getOption('seed'), $scenario);
        $listeners = [];
        $due = microtime(true);
        while (is_resource($server)) {
            $listener = @stream_socket_accept($server, 0);
            if (false !== $listener) {
                stream_set_blocking($listener, false);
                $listeners[] = $listener;
            }
            $line = $leg->next();
            foreach ($listeners as $i => $stream) {
                // Whoever has gone, or does not keep up, is let go of; they may come back.
                if (null === $line || strlen($line) !== @fwrite($stream, $line)) {
                    fclose($stream);
                    unset($listeners[$i]);
                }
            }
            $due += 1 / StandIn::SAMPLES_PER_SECOND;
            usleep((int) max(0, 1e6 * ($due - microtime(true))));
        }

        return Command::SUCCESS;
    }
}
