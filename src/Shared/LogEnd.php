<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** Where the security log ends. */
final readonly class LogEnd
{
    /**
     * @param int    $entries how many lines there are
     * @param string $link    the last one, binary; empty where it was tampered with
     */
    public function __construct(public int $entries, public string $link) {}
}
