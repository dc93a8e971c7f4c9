<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

/** Can they enter, and why: the verdict and every cause that holds, the deciding one first. */
final readonly class Reason
{
    /**
     * @param non-empty-list<Cause> $causes
     */
    public function __construct(public Entry $entry, public array $causes) {}

    public function deciding(): Cause
    {
        return $this->causes[0];
    }
}
