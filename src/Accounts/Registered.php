<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

/** A job: looks who it is that registered, and writes to them. */
final readonly class Registered
{
    /** @param string $registration id */
    public function __construct(public string $registration) {}
}
