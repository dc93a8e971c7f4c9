<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

use MintDoor\Core\Text\Folding;

/** What a platform keeps of people beside name, level, number and address: their instrument, when a contract ends. */
final readonly class Detail
{
    public const LONGEST = 120;

    /** Digits before the point of a number. */
    private const DIGITS = 12;

    /**
     * @param string             $name      as people call it
     * @param list<string>       $choices   of which one is chosen; without meaning for other types
     * @param list<string>       $kinds     codes of the kinds of people who have it; none for everybody
     * @param list<DetailReader> $seenBy    beside administrators
     * @param list<DetailReader> $changedBy beside administrators
     */
    public function __construct(
        public string $code,
        public string $name,
        public DetailType $type = DetailType::Text,
        public array $choices = [],
        public array $kinds = [],
        public array $seenBy = [DetailReader::Staff],
        public array $changedBy = [],
    ) {}

    /** Whether people of a kind have it. */
    public function isOf(string $kind): bool
    {
        return [] === $this->kinds || \in_array($kind, $this->kinds, true);
    }

    public function isSeenBy(DetailReader $reader): bool
    {
        return \in_array($reader, $this->seenBy, true);
    }

    public function isChangedBy(DetailReader $reader): bool
    {
        return \in_array($reader, $this->changedBy, true);
    }

    /** What somebody typed or pasted, as it is kept. */
    public function read(string $typed): DetailValue
    {
        $typed = trim((string) preg_replace('/[\s\p{C}]+/u', ' ', mb_scrub($typed)));

        return '' === $typed ? DetailValue::nothing() : match ($this->type) {
            DetailType::Text => mb_strlen($typed) > self::LONGEST
                ? DetailValue::wrong('too-long')
                : DetailValue::of($typed),
            DetailType::Choice => $this->choice($typed),
            DetailType::Date => self::date($typed),
            DetailType::Number => self::number($typed),
        };
    }

    /** Names and choices as they are compared. */
    public static function fold(string $name): string
    {
        return implode(' ', Folding::tokens($name));
    }

    private function choice(string $typed): DetailValue
    {
        foreach ($this->choices as $choice) {
            if (self::fold($choice) === self::fold($typed)) {
                return DetailValue::of($choice);
            }
        }

        return DetailValue::wrong('not-a-choice');
    }

    /** 2027-01-31, or 31.1.2027: what is written with strokes is read otherwise in other countries. */
    private static function date(string $typed): DetailValue
    {
        $found = [];
        if (1 === preg_match('/^(\d{1,2})\. ?(\d{1,2})\. ?(\d{4})$/D', $typed, $found)) {
            $found = [$found[0], $found[3], $found[2], $found[1]];
        } elseif (1 !== preg_match('/^(\d{4})-(\d{1,2})-(\d{1,2})$/D', $typed, $found)) {
            return DetailValue::wrong('not-a-day');
        }
        [, $year, $month, $day] = array_map(intval(...), $found);

        return $year >= 1_000 && checkdate($month, $day, $year)
            ? DetailValue::of(\sprintf('%04d-%02d-%02d', $year, $month, $day), $year * 10_000 + $month * 100 + $day)
            : DetailValue::wrong('not-a-day');
    }

    /** With a point or a comma before up to 4 more digits, and no other signs. */
    private static function number(string $typed): DetailValue
    {
        $pattern = '/^([+\-−]?)(\d{1,'.self::DIGITS.'})(?:[.,](\d{1,4}))?$/Du';
        if (1 !== preg_match($pattern, $typed, $found)) {
            return DetailValue::wrong('not-a-number');
        }
        $after = rtrim($found[3] ?? '', '0');
        $plain = (ltrim($found[2], '0') ?: '0').('' === $after ? '' : '.'.$after);
        $signed = ('' === $found[1] || '+' === $found[1] || '0' === $plain ? '' : '-').$plain;

        return DetailValue::of($signed, (float) $signed);
    }
}
