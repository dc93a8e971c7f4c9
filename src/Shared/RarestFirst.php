<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** Words something is looked for by, the one that finds least first. */
final readonly class RarestFirst
{
    /**
     * @param non-empty-list<string> $tokens
     * @param bool                   $areCommon whether even the first finds much
     */
    public function __construct(public array $tokens, public bool $areCommon) {}
}
