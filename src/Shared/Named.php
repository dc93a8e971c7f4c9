<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** Schema `Named`: something that is known by a code, and what it is called. */
final readonly class Named
{
    public function __construct(public string $code, public string $name) {}
}
