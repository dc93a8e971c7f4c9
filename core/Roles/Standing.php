<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

/** What somebody is in a site at an instant: what their grants give them there, or an administrator above it. */
final readonly class Standing
{
    /** Above every role. */
    public const ADMINISTRATOR = 1_000;

    /**
     * @param list<Role>       $roles       in force now
     * @param list<Permission> $permissions of those roles, for this person
     * @param ?list<string>    $sections    ids of those whose people alone they see (`Sight`); null for everybody
     */
    public function __construct(
        public string $personId,
        public bool $administrator,
        public array $roles = [],
        public array $permissions = [],
        public ?array $sections = null,
    ) {}

    /**
     * The same, where only the people of some sections are seen. Doors lead into all of them, and are kept by those who
     * see all.
     *
     * @param list<string> $sections ids
     */
    public function keptTo(array $sections): self
    {
        return new self(
            $this->personId,
            $this->administrator,
            $this->roles,
            array_values(
                array_filter(
                    $this->permissions,
                    static fn(Permission $permission): bool => Permission::KeepDoors !== $permission,
                ),
            ),
            $sections,
        );
    }

    public function may(Permission $permission): bool
    {
        return $this->administrator || \in_array($permission, $this->permissions, true);
    }

    /** How high somebody stands here: what they set is lifted by who stands at least as high. */
    public function height(): int
    {
        return $this->administrator ? self::ADMINISTRATOR : $this->rank();
    }

    public function rank(): int
    {
        return max([0, ...array_map(static fn(Role $role): int => $role->rank, $this->roles)]);
    }
}
