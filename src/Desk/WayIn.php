<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** A grant of somebody: member `grants` of schema `PersonCard`. */
final readonly class WayIn
{
    /**
     * @param array{kind: string, name: string} $door
     * @param string                            $role code
     * @param ?string                           $section name
     * @param ?string                           $from    instant
     * @param ?string                           $until   instant
     * @param ?string                           $givenAt instant
     * @param ?string                           $givenBy name
     */
    public function __construct(
        public string $id,
        public array $door,
        public bool $reserved,
        public string $role,
        public string $phase,
        public ?string $section,
        public ?string $from,
        public ?string $until,
        public ?string $givenAt,
        public ?string $givenBy,
    ) {}
}
