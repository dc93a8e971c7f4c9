<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\People\Person;

/** Kinds, divisions and levels of people to whom rules, as they are and as they shall be, allow the same. */
final readonly class AlikeToRules
{
    /** @param non-empty-list<Person> $of each in place of all of the same kind, division and level */
    public function __construct(public array $of) {}
}
