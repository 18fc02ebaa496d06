<?php

$finder = (new PhpCsFixer\Finder())
    ->in([__DIR__.'/core', __DIR__.'/src', __DIR__.'/tests', __DIR__.'/migrations', __DIR__.'/bench']);

return (new PhpCsFixer\Config())
    ->setParallelConfig(new PhpCsFixer\Runner\Parallel\ParallelConfig(4))
    ->setRiskyAllowed(true)
    ->setRules([
        '@Symfony' => true,
        '@PHP82Migration' => true,
        'declare_strict_types' => true,
        'concat_space' => ['spacing' => 'none'],
        'native_function_invocation' => false,
        'phpdoc_to_comment' => false,
        'phpdoc_align' => false,
        'single_line_throw' => false,
        'method_argument_space' => ['on_multiline' => 'ignore'],
        'global_namespace_import' => ['import_classes' => false],
        'trailing_comma_in_multiline' => ['elements' => ['arguments', 'arrays', 'match', 'parameters']],
        'phpdoc_separation' => false,
    ])
    ->setCacheFile(__DIR__.'/var/php-cs-fixer.cache')
    ->setFinder($finder);
