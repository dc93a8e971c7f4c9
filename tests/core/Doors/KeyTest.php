<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Doors;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Accounts\SpokenWords;
use MintDoor\Core\Doors\Key;
use MintDoor\Core\Doors\KeySlip;
use MintDoor\Demo\Dice;
use PHPUnit\Framework\TestCase;

final class KeyTest extends TestCase
{
    use TestTrait;

    public function testAnyTwoWordsDifferInTwoLettersOrMore(): void
    {
        $words = SpokenWords::all();
        self::assertCount(258, array_unique($words));
        foreach ($words as $at => $word) {
            self::assertMatchesRegularExpression('/^[a-z]{3,9}$/', $word);
            foreach (\array_slice($words, $at + 1) as $other) {
                self::assertGreaterThan(1, levenshtein($word, $other), "$word and $other");
            }
        }
    }

    public function testWordsThatWereGivenUpAreReadAndNotDrawn(): void
    {
        $drawn = SpokenWords::drawn();
        self::assertCount(256, array_unique($drawn));
        self::assertSame(['canvas', 'compass'], array_values(array_diff(SpokenWords::all(), $drawn)));
        // Made while they were drawn.
        foreach (['canvas-compass-01771-acorn-canvas', 'comb-compass-99919-canoe-pearl'] as $made) {
            self::assertSame($made, Key::read($made)->key?->text);
        }
    }

    /** However it is written, a key is read as itself. */
    public function testTypingIsForgiven(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $key = self::key($dice);
            self::assertMatchesRegularExpression('/^[a-z]+-[a-z]+-\d{5}-[a-z]+-[a-z]+$/', $key->text);
            [$a, $b, $digits, $c, $d] = explode('-', $key->text);
            foreach (
                [
                    $key->text,
                    strtoupper($key->text),
                    str_replace('-', ' ', $key->text),
                    '  '.str_replace('-', ' – ', $key->text).'.',
                    "$a $b {$digits}$c $d",
                    implode('-', [$a, $b, strtr($digits, ['0' => 'O', '1' => 'l', '5' => 'S', '8' => 'B']), $c, $d]),
                ] as $typed
            ) {
                $read = Key::read($typed);
                // A number of look-alikes alone is no number any more.
                if (1 === preg_match('/\d/', $typed)) {
                    self::assertSame([null, $key->text], [$read->slip, $read->key?->text], $typed);
                }
            }
        });
    }

    /**
     * One letter wrong, missing, too many, or two swapped in a word: said to be almost right, and never taken for
     * another key.
     */
    public function testASlipOfOneLetterShowsFromTheKeyItself(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $key = self::key($dice);
            $parts = explode('-', $key->text);
            $at = $dice->one([0, 1, 3, 4]);
            $word = $parts[(int) $at];
            $place = $dice->below(\strlen($word));
            $parts[(int) $at] = match ($dice->below(3)) {
                0 => substr_replace($word, 'x' === $word[$place] ? 'q' : 'x', $place, 1),
                1 => substr_replace($word, 'q', $place, 0),
                default => substr_replace($word, '', $place, 1),
            };
            $read = Key::read(implode('-', $parts));
            self::assertNotNull($read->slip);
            self::assertNull($read->key);
            self::assertSame([KeySlip::OneLetter, $key->text], [$read->slip, $read->meant?->text]);
        });
    }

    /** Another digit is never right; two words swapped are not, but for those a multiple of the modulus apart. */
    public function testOtherSlipsAreSeen(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(static function (int $seed): void {
            $dice = new Dice($seed);
            $key = self::key($dice);
            $parts = explode('-', $key->text);
            $digit = $dice->below(5);
            $wrong = substr_replace(
                $parts[2],
                (string) (((int) $parts[2][$digit] + 1 + $dice->below(9)) % 10),
                $digit,
                1,
            );
            self::assertNotNull(Key::read(implode('-', array_replace($parts, [2 => $wrong])))->slip);
            $place = array_flip(SpokenWords::all());
            if (0 !== ($place[$parts[1]] - $place[$parts[3]]) % 97) {
                $read = Key::read(implode('-', array_replace($parts, [1 => $parts[3], 3 => $parts[1]])));
                self::assertContains($read->slip, [KeySlip::Order, KeySlip::Number]);
            }
        });
    }

    public function testWhatIsNoKeyOfOursIsSaidToBeNone(): void
    {
        foreach (
            [
                '',
                '-',
                'harmony2026',
                'reed amber',
                '12345',
                'reed-amber-12345-cobalt',
                "\u{202E}ключ",
                str_repeat('reed-', 5_000),
                "reed\u{0000}amber",
                'one two 12345 three four',
            ] as $typed
        ) {
            self::assertNotNull(Key::read($typed)->slip, $typed);
            self::assertNull(Key::read($typed)->key);
        }
        self::assertSame(KeySlip::OtherKind, Key::read('harmony2026')->slip);
    }

    /** 42 bits: as many keys as words and numbers make, and no two the same. */
    public function testKeysDiffer(): void
    {
        $keys = [];
        for ($seed = 0; $seed < 2_000; ++$seed) {
            $keys[self::key(new Dice($seed))->text] = true;
        }
        self::assertCount(2_000, $keys);
    }

    private static function key(Dice $dice): Key
    {
        return Key::make(static fn(int $below): int => $dice->below($below));
    }
}
