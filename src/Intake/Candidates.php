<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Roster\Segment;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\RoleOptions;
use MintDoor\Roster\SiteAccess;
use MintDoor\Roster\StandingShown;
use MintDoor\Shared\Row;

/**
 * Somebody who may be let in, as the contract has them: who they are, what they are here, and as what they may be let
 * in.
 */
final readonly class Candidates
{
    public function __construct(private Roles $roles) {}

    /**
     * @param bool $options with every role, and why not where not
     *
     * @return array<string, mixed> schema `Candidate`
     */
    public function json(
        Row $row,
        ?Segment $segment,
        PersonVisibility $visibility,
        SiteAccess $access,
        bool $options = true,
    ): array {
        $person = PersonRow::person($row);
        $book = $this->roles->book();
        $before = ($book->pick($segment->roles ?? [])[0] ?? null)?->code;

        return [
            'person' => PersonRow::shown($row, $visibility),
            'visibility' => $visibility->value,
            'standing' => StandingShown::of($segment, $book),
            'suggested' => $book->suggest($access->standing, $person, $access->site, $before),
            'options' => $options ? RoleOptions::of($book, $access, $person) : [],
        ];
    }
}
