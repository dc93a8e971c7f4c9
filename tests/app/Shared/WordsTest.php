<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Shared;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Finder\Finder;

/** The sentences of the server: each is in a catalogue, is used, can be filled in, and none stands in the code. */
final class WordsTest extends TestCase
{
    private const ROOT = __DIR__.'/../../..';

    /** What no person reads: words for whoever runs the platform or works on it. */
    private const NOT_FOR_PEOPLE = '/Exception\($|LookAgain\($|->(?:error|warning|info)\($|Command\(|setDescription\($|'
        .'InputOption::\w+, $|writeln\(/';

    public function testEveryKeyInTheCodeIsInTheCatalogue(): void
    {
        $keys = self::catalogue();
        $rooms = implode(
            '|',
            array_unique(array_map(static fn(string $key): string => explode('.', $key)[0], array_keys($keys)))
        );
        $missing = [];
        foreach (self::literals() as [$text, , $place]) {
            if (1 !== preg_match("/^(?:$rooms)\\.[a-z0-9.-]+$/", $text)) {
                continue;
            }
            $prefix = str_ends_with($text, '.');
            if ($prefix ? [] === preg_grep('/^'.preg_quote($text, '/').'/', array_keys($keys)) : !isset($keys[$text])) {
                $missing[] = "$place: $text";
            }
        }
        self::assertSame([], $missing);
    }

    public function testEveryKeyOfTheCatalogueIsUsed(): void
    {
        $used = array_column(iterator_to_array(self::literals(), false), 0);
        $prefixes = array_filter(
            $used,
            static fn(string $text): bool => 1 === preg_match('/^[a-z]+\.(?:[a-z-]+\.)*$/', $text)
        );
        $unused = array_filter(
            array_diff(array_keys(self::catalogue()), $used),
            static fn(string $key): bool => !array_any(
                $prefixes,
                static fn(string $prefix): bool => str_starts_with($key, $prefix)
            ),
        );
        self::assertSame([], array_values($unused));
    }

    public function testEverySentenceCanBeFilledInAndHasItsPluralForms(): void
    {
        foreach (self::catalogue() as $key => $text) {
            $formatter = \MessageFormatter::create('en', $text);
            self::assertNotNull($formatter, $key);
            preg_match_all('/\{([a-z]+)/', $text, $names);
            foreach ([0, 1, 2] as $n) {
                $said = $formatter->format(array_fill_keys($names[1], $n));
                self::assertIsString($said, $key);
                self::assertDoesNotMatchRegularExpression('/\b1 [a-z]+s\b(?<!is|ss)|\b1 people\b/', $said, $key);
            }
        }
    }

    public function testNoSentenceIsLongerThanNeeded(): void
    {
        $long = array_filter(self::catalogue(), static fn(string $text): bool => mb_strlen($text) > 220);
        self::assertSame([], array_keys($long));
    }

    public function testNoSentenceForPeopleStandsInTheCode(): void
    {
        $found = [];
        foreach (self::literals() as [$text, $before, $place]) {
            if (
                1 === preg_match('/^(?!SELECT)[A-Z“][^<>=]* [^<>=]*[a-z“”’)][.?!]$/u', $text)
                && 1 !== preg_match(self::NOT_FOR_PEOPLE, $before)
                && !str_contains($place, 'Command.php')
            ) {
                $found[] = "$place: $text";
            }
        }
        self::assertSame([], $found);
    }

    /** @return array<string, string> texts by key */
    private static function catalogue(): array
    {
        $texts = [];
        foreach (Finder::create()->files()->in(self::ROOT.'/translations')->name('words*.en.json') as $file) {
            $read = static function (array $part, string $at) use (&$read, &$texts): void {
                foreach ($part as $name => $value) {
                    \is_array($value) ? $read($value, "$at$name.") : $texts[$at.$name] = $value;
                }
            };
            $read((array) json_decode($file->getContents(), true, 512, \JSON_THROW_ON_ERROR), '');
        }

        return $texts;
    }

    /** @return \Generator<array{string, string, string}> each text in quotes, what stands before it, and where */
    private static function literals(): \Generator
    {
        foreach (Finder::create()->files()->in(self::ROOT.'/src')->notPath('Demo')->name('*.php') as $file) {
            $before = '';
            foreach (\PhpToken::tokenize($file->getContents()) as $token) {
                $place = $file->getRelativePathname().':'.$token->line;
                if ($token->is(\T_CONSTANT_ENCAPSED_STRING)) {
                    yield [stripslashes(substr($token->text, 1, -1)), $before, $place];
                } elseif ($token->is(\T_ENCAPSED_AND_WHITESPACE)) {
                    yield [$token->text, $before, $place];
                }
                if (!$token->is([\T_COMMENT, \T_DOC_COMMENT])) {
                    $before = substr($before.preg_replace('/\s+/', ' ', $token->text), -60);
                    $before = (string) preg_replace('/\( $/', '(', $before);
                }
            }
        }
    }
}
