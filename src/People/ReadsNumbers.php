<?php

declare(strict_types=1);

namespace MintDoor\People;

/** Of what somebody may look at numbers. */
final readonly class ReadsNumbers
{
    /** @param list<string> $divisions codes, sorted */
    public function __construct(public bool $everything = false, public array $divisions = []) {}
}
