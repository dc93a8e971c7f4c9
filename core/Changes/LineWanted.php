<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

/** What is wanted for one person. */
final readonly class LineWanted
{
    /** @param string $person id */
    public function __construct(public string $person, public Wanted $wanted) {}
}
