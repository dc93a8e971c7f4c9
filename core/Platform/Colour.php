<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** A colour of the sRGB space, and what WCAG 2.2 computes of it: relative luminance and the contrast of two colours. */
final readonly class Colour
{
    /** @param array{int, int, int} $parts red, green and blue, each 0 to 255 */
    private function __construct(private array $parts) {}

    /** @return ?self null where the text is not written as `#1f5a4b` */
    public static function read(string $hex): ?self
    {
        if (1 !== preg_match('/^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/Di', $hex, $found)) {
            return null;
        }

        return new self([(int) hexdec($found[1]), (int) hexdec($found[2]), (int) hexdec($found[3])]);
    }

    /** @throws \InvalidArgumentException where the text is not written as `#1f5a4b` */
    public static function of(string $hex): self
    {
        return self::read($hex) ?? throw new \InvalidArgumentException("$hex is no colour.");
    }

    /** As `#1f5a4b`. */
    public function hex(): string
    {
        return \sprintf('#%02x%02x%02x', ...$this->parts);
    }

    /** @param float $share of the other colour, 0 to 1 */
    public function mixed(self $with, float $share): self
    {
        $parts = [];
        foreach ($this->parts as $place => $part) {
            $parts[] = (int) round($part + ($with->parts[$place] - $part) * $share);
        }

        return new self([$parts[0], $parts[1], $parts[2]]);
    }

    /** From 1, for two colours nobody can tell apart, to 21, for black on white. */
    public function contrast(self $to): float
    {
        [$dark, $light] = [$this->luminance(), $to->luminance()];
        if ($dark > $light) {
            [$dark, $light] = [$light, $dark];
        }

        return ($light + 0.05) / ($dark + 0.05);
    }

    private function luminance(): float
    {
        $linear = static function (int $part): float {
            $share = $part / 255;

            return $share <= 0.04045 ? $share / 12.92 : (($share + 0.055) / 1.055) ** 2.4;
        };
        [$red, $green, $blue] = $this->parts;

        return 0.2126 * $linear($red) + 0.7152 * $linear($green) + 0.0722 * $linear($blue);
    }
}
