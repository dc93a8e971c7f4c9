<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

/** A job: makes the next accounts of a change list. */
final readonly class MakeAccounts
{
    public function __construct(public string $changeList) {}
}
