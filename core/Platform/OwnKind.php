<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/**
 * A kind of people that a platform has beside the four: alumni, visiting students, accompanists. Whatever the program
 * does for one of the four it does for them, too; of the roles they may be kept to some.
 */
final readonly class OwnKind
{
    /**
     * @param string       $name  of one of them, as it stands in lists
     * @param string       $like  the one of the four as which they are treated
     * @param list<string> $roles codes of those they may hold, of those that people of `$like` may hold; none for all
     */
    public function __construct(
        public string $code,
        public string $name,
        public string $like,
        public array $roles = [],
    ) {}

    public function mayHold(string $role): bool
    {
        return [] === $this->roles || \in_array($role, $this->roles, true);
    }
}
