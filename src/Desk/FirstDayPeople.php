<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Roster\Alike;

/** People of sites at an instant each, those put together who are alike. */
final readonly class FirstDayPeople
{
    /**
     * @param array<string, list<Alike>> $alike by site
     * @param array<string, string>      $names by person
     */
    public function __construct(public array $alike, public array $names) {}
}
