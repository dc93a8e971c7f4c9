<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** A group that is to be made. */
final readonly class NewGroup
{
    /**
     * @param list<string> $people ids of those who come into it
     * @param ?string      $kind   what they are that it is made from; null where they are just so many
     */
    public function __construct(
        public string $name,
        public array $people = [],
        public ?string $kind = null,
    ) {}
}
