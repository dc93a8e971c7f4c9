<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** When something changes next for somebody here, and what is so then: of schema `PersonCard`. */
final readonly class NextChange
{
    /**
     * @param ?string $at    instant
     * @param string  $entry whether they can enter from then on
     * @param ?string $role  code
     */
    public function __construct(
        public ?string $at,
        public string $entry,
        public ?string $state,
        public ?string $role,
    ) {}
}
