<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** Schema `Somebody`: a person, or a site in a history, by id and name. */
final readonly class Somebody
{
    public function __construct(public string $id, public string $name) {}
}
