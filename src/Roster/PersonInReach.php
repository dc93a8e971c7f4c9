<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\People\CareVerdict;
use MintDoor\Shared\Row;

/** Somebody whose page the caller may open. */
final readonly class PersonInReach
{
    /**
     * @param Row         $row  with `PersonRow::COLUMNS`, `gone`, `gone_into`, `version`, `must_change`,
     *     `has_password`,
     *                          `made_at`, `used_at`
     * @param CareVerdict $care whether the caller may look after their account
     */
    public function __construct(public Row $row, public CareVerdict $care) {}
}
