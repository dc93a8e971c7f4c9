<?php

declare(strict_types=1);

namespace MintDoor\Core\Accounts;

use MintDoor\Core\People\PersonKind;

/** Of which kind a row says that somebody is. */
final readonly class KindOfRow
{
    /** @param ?string $own code of the kind that the platform has beside the four */
    public function __construct(public PersonKind $kind, public ?string $own) {}
}
