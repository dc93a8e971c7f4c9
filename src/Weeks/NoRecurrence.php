<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

/** A rule of recurrence says no days. */
final class NoRecurrence extends \InvalidArgumentException
{
    /** @param 'no-rule'|'endless'|'never' $reason */
    public function __construct(public readonly string $reason)
    {
        parent::__construct('No days of meeting: '.$reason);
    }
}
