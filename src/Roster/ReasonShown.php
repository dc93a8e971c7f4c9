<?php

declare(strict_types=1);

namespace MintDoor\Roster;

/** Schema `Reason`: whether somebody can enter, and why. */
final readonly class ReasonShown
{
    /** @param non-empty-list<CauseShown> $causes the deciding one first */
    public function __construct(public string $entry, public array $causes) {}
}
