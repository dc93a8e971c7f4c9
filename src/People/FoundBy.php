<?php

declare(strict_types=1);

namespace MintDoor\People;

/** How somebody is found, sorted and counted. */
final readonly class FoundBy
{
    /**
     * @param string $terms all words they are found by, each led by a blank
     * @param int    $alike their `AlikeNumber`
     */
    public function __construct(public string $sortName, public string $terms, public int $alike) {}
}
