<?php

declare(strict_types=1);

namespace MintDoor\People;

/** Somebody with the labels they bear and what else is kept of them: an item of the answer of `directory`. */
final readonly class PersonDetailed
{
    /**
     * @param list<string> $labels  those the caller may see
     * @param \stdClass    $details what is kept under details that the caller sees, by code
     */
    public function __construct(
        public PersonShown $person,
        public array $labels,
        public \stdClass $details,
    ) {}
}
