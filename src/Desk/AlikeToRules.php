<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\People\Person;

/** Kinds, divisions and levels of people to whom rules, as they are and as they shall be, allow the same. */
final class AlikeToRules
{
    /** @var list<Person> */
    public array $of = [];

    /** @param Person $one of them, in place of all */
    public function __construct(public readonly Person $one) {}
}
