<?php

declare(strict_types=1);

namespace MintDoor\Roster;

/** A section by its name, as pages that only name it need it. */
final readonly class SectionNamed
{
    public function __construct(public string $id, public string $name, public bool $retired) {}
}
