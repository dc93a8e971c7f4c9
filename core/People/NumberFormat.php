<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

/**
 * How the numbers of some kinds of person are written: a prefix, and so many digits, the last of which may check the
 * others.
 */
final readonly class NumberFormat
{
    /**
     * @param list<PersonKind> $kinds  whose numbers these are
     * @param string           $prefix letters before the digits, upper case; empty for none
     * @param int              $digits how many, a check digit included
     * @param bool             $checked whether the last digit checks the others (`Luhn`)
     */
    public function __construct(
        public string $name,
        public array $kinds,
        public string $prefix,
        public int $digits,
        public bool $checked,
    ) {}

    /** What is so about a text taken as such a number; blanks, dots and dashes are set aside. */
    public function read(string $text): NumberReading
    {
        $bare = self::bare($text);
        if (1 !== preg_match('/^'.preg_quote($this->prefix, '/').'(\d+)$/D', $bare, $found)) {
            return NumberReading::Other;
        }
        $digits = $found[1];
        if (\strlen($digits) !== $this->digits) {
            return NumberReading::WrongLength;
        }

        return !$this->checked || self::checks($digits) ? NumberReading::Fits : NumberReading::WrongCheckDigit;
    }

    /** A number as it is stored: without blanks, dots and dashes, in capitals. */
    public static function bare(string $text): string
    {
        return strtoupper((string) preg_replace('/[\s.\-]+/', '', $text));
    }

    /** A number that is written like this. */
    public function example(): string
    {
        $digits = substr(str_repeat('2041356798', 4), 0, max(1, $this->digits - (int) $this->checked));

        return $this->prefix.$digits.($this->checked && is_numeric($digits) ? Luhn::checkDigit($digits) : '');
    }

    private static function checks(string $digits): bool
    {
        $front = substr($digits, 0, -1);

        return is_numeric($front) && Luhn::checkDigit($front) === (int) substr($digits, -1);
    }
}
