<?php

declare(strict_types=1);

namespace MintDoor\Core\Accounts;

/** A name in its two parts. */
final readonly class NameParts
{
    public function __construct(public string $given, public string $family) {}
}
