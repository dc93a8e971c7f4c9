<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `Role`: a role as the rules have it. */
final readonly class RoleShown
{
    /**
     * @param string       $standard    role name of LIS and LTI
     * @param ?string      $caution     what to think of before giving it
     * @param list<string> $permissions
     */
    public function __construct(
        public string $code,
        public string $name,
        public string $standard,
        public int $rank,
        public bool $lead,
        public bool $takesSeat,
        public bool $listed,
        public ?string $caution,
        public array $permissions,
    ) {}
}
