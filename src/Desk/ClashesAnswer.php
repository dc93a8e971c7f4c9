<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `Clashes`. */
final readonly class ClashesAnswer
{
    /** @param list<ClashedPerson> $people by name */
    public function __construct(public array $people) {}
}
