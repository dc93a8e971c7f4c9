<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

/** A yes to people going who wait for it. */
final readonly class AgreeRequest
{
    /** @param int $number of those who wait, as it was read: where it is another by now, it is asked again */
    public function __construct(public int $number) {}
}
