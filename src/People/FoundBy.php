<?php

declare(strict_types=1);

namespace MintDoor\People;

/** How somebody is found and sorted. */
final readonly class FoundBy
{
    /** @param string $terms all words they are found by, each led by a blank */
    public function __construct(public string $sortName, public string $terms) {}
}
