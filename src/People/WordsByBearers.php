<?php

declare(strict_types=1);

namespace MintDoor\People;

/** Words somebody is looked for by, the one that fewest bear first. */
final readonly class WordsByBearers
{
    /**
     * @param list<string> $tokens
     * @param bool                   $rosterIsShorter whether the roster of the site is shorter than the list of those
     *                                                who bear the first
     */
    public function __construct(public array $tokens, public bool $rosterIsShorter) {}
}
