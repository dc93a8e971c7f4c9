<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** How many there are, as far as they were counted. */
final readonly class Many
{
    /** @param bool $moreThanThat whether there are more than were counted */
    private function __construct(public int $total, public bool $moreThanThat) {}

    /** @param ?int $to where counting stopped, at one more than that; null where it went on to the end */
    public static function of(int $counted, ?int $to): self
    {
        return null === $to || $counted <= $to ? new self($counted, false) : new self($to, true);
    }
}
