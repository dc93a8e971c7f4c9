<?php

declare(strict_types=1);

namespace MintDoor\Core\Accounts;

use MintDoor\Core\Changes\Wanted;

/** Something that merging two people does in a site. */
final readonly class MergeStep
{
    /** @param bool $stays whether it is done to the one who stays */
    public function __construct(public bool $stays, public Wanted $wanted) {}
}
