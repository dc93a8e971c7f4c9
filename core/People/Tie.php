<?php

declare(strict_types=1);

namespace MintDoor\Core\People;

/** What ties somebody who looks after people to one of them, in one site. It holds now. */
final readonly class Tie
{
    /**
     * @param bool $leads whether the caretaker leads the site
     * @param bool $home  whether the site is of the person's division and levels
     * @param bool $own   whether it is of the caretaker's own making
     * @param int  $since the instant from which it has held without a break
     */
    public function __construct(public bool $leads, public bool $home, public bool $own, public int $since) {}
}
