<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

/** Somebody of the directory whose address somebody who registers has shown to be theirs. */
final readonly class KnownByAddress
{
    public function __construct(public string $id, public string $name, public string $kind) {}
}
