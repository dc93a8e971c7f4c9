<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Platform;

use MintDoor\Core\Platform\Accent;
use MintDoor\Core\Platform\AccentColours;
use MintDoor\Core\Platform\Colour;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Whatever accent is chosen, everything that stands in it or on it can be read. */
final class AccentTest extends TestCase
{
    /** Of words: `look.css`. */
    private const INK = '#173a32';
    private const DARK_INK = '#e8efe9';

    public function testTheContrastIsThatOfTheStandard(): void
    {
        $black = Colour::of('#000000');
        self::assertEqualsWithDelta(21.0, $black->contrast(Colour::of('#ffffff')), 0.001);
        self::assertEqualsWithDelta(1.0, $black->contrast($black), 0.001);
        // Worked out by hand: (1 + 0.05) / (0.2126 + 0.05).
        self::assertEqualsWithDelta(3.998, Colour::of('#ff0000')->contrast(Colour::of('#ffffff')), 0.001);
    }

    #[TestWith(['1f5a4b'])]
    #[TestWith(['#1f5a4'])]
    #[TestWith(["#1f5a4b\n"])]
    #[TestWith(['red'])]
    #[TestWith(['#1f5a4b;background:url(x)'])]
    public function testWhatIsNoColourIsNone(string $text): void
    {
        self::assertNull(Accent::read($text));
    }

    public function testOfAnyColourTheNearestThatFitsFits(): void
    {
        foreach ($this->colours(600) as $hex) {
            $accent = Accent::read($hex);
            self::assertNotNull($accent);
            $fitting = Accent::read($accent->fitting());
            self::assertNotNull($fitting);
            self::assertTrue($fitting->fits(), $hex);
            $accent->fits() && self::assertSame($hex, $accent->fitting());
        }
    }

    public function testWhateverFitsCanBeReadEverywhere(): void
    {
        foreach ($this->colours(600) as $hex) {
            $accent = Accent::read((string) Accent::read($hex)?->fitting());
            self::assertNotNull($accent);
            $light = $accent->onLight();
            $this->assertReadable($light, ['#fbfaf5', '#ffffff', '#f4f1e8', $light->pale], self::INK);
            $dark = $accent->onDark();
            $this->assertReadable($dark, ['#0f211c', '#142b25', '#1a352d', $dark->pale], self::DARK_INK);
        }
    }

    /** @param list<string> $grounds on which text of the accent stands */
    private function assertReadable(AccentColours $colours, array $grounds, string $ink): void
    {
        $contrast = static fn(string $a, string $b): float => Colour::of($a)->contrast(Colour::of($b));
        foreach ($grounds as $ground) {
            self::assertGreaterThanOrEqual(
                Accent::READABLE,
                $contrast($colours->accent, $ground),
                "$colours->accent on $ground",
            );
        }
        foreach ([$colours->accent, $colours->hover, $colours->pressed] as $button) {
            self::assertGreaterThanOrEqual(Accent::READABLE, $contrast($colours->onAccent, $button), $button);
        }
        foreach ([$colours->ground, $colours->pale] as $ground) {
            self::assertGreaterThanOrEqual(Accent::READABLE, $contrast($ink, $ground), "$ink on $ground");
        }
    }

    /** @return iterable<string> the corners of the colours, and some that chance brings */
    private function colours(int $many): iterable
    {
        foreach (['00', '80', 'ff'] as $red) {
            foreach (['00', '80', 'ff'] as $green) {
                foreach (['00', '80', 'ff'] as $blue) {
                    yield "#$red$green$blue";
                }
            }
        }
        mt_srand(17);
        for ($n = 0; $n < $many; ++$n) {
            yield \sprintf('#%06x', mt_rand(0, 0xFF_FF_FF));
        }
    }
}
