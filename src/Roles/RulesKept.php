<?php

declare(strict_types=1);

namespace MintDoor\Roles;

use MintDoor\Core\Platform\Detail;
use MintDoor\Core\Roles\Rules;

/** What a machine keeps of the rules and settings of a version. */
final readonly class RulesKept
{
    /** @param list<Detail> $details of people */
    public function __construct(public Rules $rules, public array $details) {}
}
