<?php

declare(strict_types=1);

return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setCacheFile(__DIR__.'/var/php-cs-fixer.cache')
    ->setRules([
        '@Symfony' => true,
        '@Symfony:risky' => true,
        'declare_strict_types' => true,
        'concat_space' => ['spacing' => 'none'],
        'yoda_style' => false,
        'phpdoc_to_comment' => false,
        'phpdoc_align' => false,
        'phpdoc_summary' => false,
        'increment_style' => ['style' => 'pre'],
        'native_function_invocation' => false,
        'native_constant_invocation' => false,
        'fully_qualified_strict_types' => false,
        'global_namespace_import' => false,
        'phpdoc_separation' => false,
        'phpdoc_no_alias_tag' => false,
        'single_line_throw' => false,
        'line_ending' => true,
        'class_definition' => ['single_line' => false],
        'trailing_comma_in_multiline' => ['elements' => ['arguments', 'arrays', 'match', 'parameters']],
    ])
    ->setFinder(
        (new PhpCsFixer\Finder())->in([
            __DIR__.'/core', __DIR__.'/app', __DIR__.'/tests', __DIR__.'/demo', __DIR__.'/config',
            __DIR__.'/public', __DIR__.'/tools',
        ])->notPath(['e2e', 'reference.php']),
    );
