<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Shared\Row;

/** Somebody a plan is about. */
final readonly class Planned
{
    /**
     * @param Row          $person   with `PersonRow::COLUMNS`
     * @param list<string> $sections ids of those they are in
     */
    public function __construct(public Row $person, public array $sections) {}
}
