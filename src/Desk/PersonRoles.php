<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Somebody;

/** Somebody who has different roles in sites that become one. */
final readonly class PersonRoles
{
    /** @param list<string> $roles codes, one of which is chosen */
    public function __construct(public Somebody $person, public array $roles) {}
}
