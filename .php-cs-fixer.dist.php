<?php

declare(strict_types=1);

return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setRules([
        '@Symfony' => true,
        '@Symfony:risky' => true,
        'declare_strict_types' => true,
        'phpdoc_to_comment' => false,
        'phpdoc_align' => false,
        'blank_line_before_statement' => ['statements' => ['return']],
        'method_argument_space' => ['on_multiline' => 'ignore'],
        'statement_indentation' => true,
        'yoda_style' => true,
        // A line ends at 120 characters.
        'single_line_throw' => false,
        'no_multiline_whitespace_around_double_arrow' => false,
        'single_line_empty_body' => true,
        'operator_linebreak' => ['only_booleans' => true, 'position' => 'beginning'],
        'class_definition' => ['multi_line_extends_each_single_line' => true],
        'function_declaration' => ['closure_fn_spacing' => 'none'],
    ])
    ->setCacheFile(__DIR__.'/var/php-cs-fixer.cache')
    ->setFinder(
        (new PhpCsFixer\Finder())
            ->in([__DIR__.'/bench', __DIR__.'/bin/lib', __DIR__.'/config', __DIR__.'/core'])
            ->in([__DIR__.'/migrations', __DIR__.'/public', __DIR__.'/src', __DIR__.'/tests'])
            ->notPath('reference.php')
            ->append([__FILE__]),
    );
