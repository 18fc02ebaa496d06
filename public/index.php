<?php

use LucidAscent\App\Kernel;

// The server that runs this page sets the environment; there is no file to look for at every request.
$_SERVER['APP_RUNTIME_OPTIONS'] = ['disable_dotenv' => isset($_SERVER['APP_ENV'])];

require_once dirname(__DIR__).'/vendor/autoload_runtime.php';

return static fn (array $context): Kernel => new Kernel($context['APP_ENV'], (bool) $context['APP_DEBUG']);
