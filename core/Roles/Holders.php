<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

use MintDoor\Core\People\Person;

/** Some people of one site who hold the same roles and are alike in what the rules ask of a person. */
final readonly class Holders
{
    /** @param list<string> $roles codes */
    public function __construct(public string $site, public array $roles, public Person $person, public int $people) {}
}
