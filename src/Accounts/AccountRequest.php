<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

/** An account to be opened or closed: looked at only, or done. */
final readonly class AccountRequest
{
    public function __construct(public bool $open, public bool $apply = true) {}
}
