<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Changes\ChangeItem;

/** What merging two people does in their sites. */
final readonly class MergeSteps
{
    /**
     * @param list<ChangeItem> $items   lines
     * @param list<RoleChoice> $choices what somebody has to choose first
     */
    public function __construct(public array $items, public array $choices) {}
}
