<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

use MintDoor\Core\People\NumberFormat;
use MintDoor\Core\People\PersonKind;

/** Everything a platform decides for itself: its roles, how its numbers are written, and its limits. */
final readonly class Rules
{
    /** @param list<NumberFormat> $numbers */
    public function __construct(
        public RoleBook $roles,
        public array $numbers,
        public Limits $limits,
    ) {
    }

    /**
     * What a new platform starts with.
     *
     * @param list<string> $juniors codes of the divisions whose learners have junior rules
     * @param list<string> $seniors codes of the divisions whose learners have senior rules
     */
    public static function first(array $juniors, array $seniors): self
    {
        return new self(FirstRoles::book($juniors, $seniors), [
            new NumberFormat('Learner number', [PersonKind::Learner], '', 7, true),
            new NumberFormat('Staff number', [PersonKind::Staff], 'S', 5, false),
        ], new Limits());
    }
}
