<?php

declare(strict_types=1);

namespace MintDoor\Roster;

/** Schema `RoleOption`: a role, whether the caller may give it to somebody, and what it would change for them. */
final readonly class RoleOption
{
    /**
     * @param string       $code   why, or why not
     * @param \stdClass    $values of that sentence
     * @param list<string> $givers codes of the roles that may give it
     * @param list<string> $also   permissions they would get
     * @param list<string> $not    permissions they would lose
     */
    public function __construct(
        public string $role,
        public bool $allowed,
        public string $code,
        public \stdClass $values,
        public array $givers,
        public array $also,
        public array $not,
    ) {}
}
