<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

/** That somebody is to be looked at by a connection. */
final readonly class Due
{
    /**
     * @param int  $asked  how often that was asked for, as it was read
     * @param bool $agreed whether somebody said yes to their going
     * @param bool $again  whether they are to come though staff took them out before
     */
    public function __construct(public int $asked, public bool $agreed = false, public bool $again = false) {}
}
