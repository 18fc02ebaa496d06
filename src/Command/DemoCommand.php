<?php

declare(strict_types=1);

namespace LucidAscent\App\Command;

use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;

#[AsCommand('ascent:demo', 'x')]
final class DemoCommand extends Command
{
}
