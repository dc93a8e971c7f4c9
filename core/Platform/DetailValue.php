<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** What was typed under a detail, as it is kept. */
final readonly class DetailValue
{
    /**
     * @param ?string $text    as it is kept; null where nothing was typed, or nothing that is understood
     * @param ?float  $amount  by which dates and numbers are compared: of a date its digits, such as 20270131
     * @param 'too-long'|'not-a-choice'|'not-a-day'|'not-a-number'|null $problem
     */
    private function __construct(public ?string $text, public ?float $amount, public ?string $problem) {}

    public static function nothing(): self
    {
        return new self(null, null, null);
    }

    public static function of(string $text, ?float $amount = null): self
    {
        return new self($text, $amount, null);
    }

    /** @param 'too-long'|'not-a-choice'|'not-a-day'|'not-a-number' $problem */
    public static function wrong(string $problem): self
    {
        return new self(null, null, $problem);
    }
}
