<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The core knows no framework, no clock, no chance, no input and no output. */
final class PurityTest extends TestCase
{
    private const FORBIDDEN = [
        'time',
        'microtime',
        'hrtime',
        'date',
        'gmdate',
        'strtotime',
        'mktime',
        'rand',
        'mt_rand',
        'random_int',
        'random_bytes',
        'uniqid',
        'getenv',
        'fopen',
        'file_get_contents',
        'file_put_contents',
        'printf',
        'header',
        'error_log',
        'sleep',
        'usleep',
    ];

    /** @return iterable<string, array{string}> */
    public static function files(): iterable
    {
        $folder = \dirname(__DIR__, 2).'/core';
        $all = new \RecursiveDirectoryIterator($folder, \FilesystemIterator::SKIP_DOTS);
        foreach (new \RecursiveIteratorIterator($all) as $file) {
            yield substr((string) $file, \strlen($folder) + 1) => [(string) $file];
        }
    }

    #[DataProvider('files')]
    public function testUsesNothingFromOutside(string $file): void
    {
        $tokens = array_values(
            array_filter(
                \PhpToken::tokenize((string) file_get_contents($file)),
                static fn(\PhpToken $token): bool => !$token->isIgnorable(),
            ),
        );
        foreach ($tokens as $index => $token) {
            $before = $tokens[$index - 1] ?? null;
            $after = $tokens[$index + 1] ?? null;
            if (
                $token->is([\T_NAME_QUALIFIED, \T_NAME_FULLY_QUALIFIED])
                && str_contains(ltrim($token->text, '\\'), '\\')
            ) {
                self::assertStringStartsWith('MintDoor\\Core', ltrim($token->text, '\\'), "line $token->line");
            }
            $called =
                '(' === $after?->text
                && true
                    !== $before?->is([
                        \T_OBJECT_OPERATOR,
                        \T_NULLSAFE_OBJECT_OPERATOR,
                        \T_DOUBLE_COLON,
                        \T_FUNCTION,
                        \T_NEW,
                    ]);
            if ($called && $token->is([\T_STRING, \T_NAME_FULLY_QUALIFIED])) {
                self::assertNotContains(ltrim($token->text, '\\'), self::FORBIDDEN, "line $token->line");
            }
            self::assertFalse(
                $token->is([
                    \T_ECHO,
                    \T_PRINT,
                    \T_EXIT,
                    \T_INCLUDE,
                    \T_INCLUDE_ONCE,
                    \T_REQUIRE,
                    \T_REQUIRE_ONCE,
                    \T_INLINE_HTML,
                ]),
                "line $token->line",
            );
            self::assertDoesNotMatchRegularExpression(
                '/^\$(_(SERVER|GET|POST|ENV|COOKIE|SESSION|FILES|REQUEST)|GLOBALS)$/',
                $token->text,
                "line $token->line",
            );
        }
    }
}
