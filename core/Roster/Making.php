<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

/** What put a grant in force for the last time. */
final readonly class Making
{
    /**
     * @param int     $since instant
     * @param ?string $by    id of whose hand it was; null where it comes by itself
     */
    public function __construct(public int $since, public ?string $by) {}
}
