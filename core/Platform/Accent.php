<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/**
 * The colours that one accent colour brings to the pages, on light paper and on dark: of links and buttons, of what
 * stands on them, and of grounds. Whatever accent `fits`, all of them can be read.
 */
final readonly class Accent
{
    /** What WCAG 2.2 asks of text (1.4.3, level AA). */
    public const READABLE = 4.5;

    private const PAPER = '#fbfaf5';

    /** Of a row one points at: the darkest that text of the accent stands on, beside its own tints. */
    private const HOVER = '#f4f1e8';

    private const WHITE = '#ffffff';

    private const BLACK = '#000000';

    private const DARK_PAPER = '#0f211c';

    private const DARK_HOVER = '#1a352d';

    private const DARK_INK = '#0d231e';

    /** How much of the accent is in a pale ground, and in a full one. */
    private const PALE = 0.1;

    private const FULL = 0.28;

    private const STEP = 0.02;

    private function __construct(private Colour $colour) {}

    /** @return ?self null where the text is not written as `#1f5a4b` */
    public static function read(string $hex): ?self
    {
        $colour = Colour::read($hex);

        return null === $colour ? null : new self($colour);
    }

    /** The contrast that its text has at worst, on light paper. */
    public function contrast(): float
    {
        $pale = $this->colour->mixed(Colour::of(self::WHITE), 1 - self::PALE);

        return min(
            $this->colour->contrast(Colour::of(self::PAPER)),
            $this->colour->contrast(Colour::of(self::HOVER)),
            $this->colour->contrast($pale),
        );
    }

    /** Whether text in this colour can be read on light paper. */
    public function fits(): bool
    {
        return $this->contrast() >= self::READABLE;
    }

    /** The nearest darker colour that fits, as `#1f5a4b`; itself where it does. */
    public function fitting(): string
    {
        for ($share = 0.0; $share < 1; $share += self::STEP) {
            $darker = new self($this->colour->mixed(Colour::of(self::BLACK), $share));
            if ($darker->fits()) {
                return $darker->colour->hex();
            }
        }

        return self::BLACK;
    }

    public function onLight(): AccentColours
    {
        [$white, $black] = [Colour::of(self::WHITE), Colour::of(self::BLACK)];

        return new AccentColours(
            accent: $this->colour->hex(),
            hover: $this->colour->mixed($black, 0.14)->hex(),
            pressed: $this->colour->mixed($black, 0.3)->hex(),
            onAccent: self::WHITE,
            ground: $this->colour->mixed($white, 1 - self::FULL)->hex(),
            pale: $this->colour->mixed($white, 1 - self::PALE)->hex(),
        );
    }

    /** The accent, made as much lighter as it takes to be read on dark paper. */
    public function onDark(): AccentColours
    {
        $white = Colour::of(self::WHITE);
        $paper = Colour::of(self::DARK_PAPER);
        $lighter = $white;
        for ($share = 0.0; $share < 1; $share += self::STEP) {
            $lighter = $this->colour->mixed($white, $share);
            $grounds = [Colour::of(self::DARK_HOVER), $paper->mixed($lighter, self::PALE)];
            $worst = min(array_map(static fn(Colour $ground): float => $lighter->contrast($ground), $grounds));
            if ($worst >= self::READABLE) {
                break;
            }
        }

        return new AccentColours(
            accent: $lighter->hex(),
            hover: $lighter->mixed($white, 0.3)->hex(),
            pressed: $lighter->mixed($white, 0.6)->hex(),
            onAccent: self::DARK_INK,
            ground: $paper->mixed($lighter, self::FULL)->hex(),
            pale: $paper->mixed($lighter, self::PALE)->hex(),
        );
    }
}
