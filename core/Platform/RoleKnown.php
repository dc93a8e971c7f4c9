<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** What settings need to know of a role. */
final readonly class RoleKnown
{
    /**
     * @param list<string> $for  kinds of people who may hold it
     * @param bool         $lead whether it answers for a site
     */
    public function __construct(public string $code, public array $for, public bool $lead = false) {}
}
