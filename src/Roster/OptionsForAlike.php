<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\People\Person;
use MintDoor\Core\Roles\RoleBook;

/** As what people may be let in: the same for those who are alike in what the rules ask of a person. */
final class OptionsForAlike
{
    /** @var array<string, list<RoleOption>> */
    private array $known = [];

    public function __construct(private readonly RoleBook $book, private readonly SiteAccess $access) {}

    /** @return list<RoleOption> */
    public function of(Person $person): array
    {
        $key = implode(' ', [
            implode('/', $person->kinds()),
            $person->division,
            $person->level,
            $person->id === $this->access->caller->id ? 'themselves' : '',
        ]);

        return $this->known[$key] ??= RoleOptions::of($this->book, $this->access, $person);
    }
}
