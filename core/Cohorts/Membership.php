<?php

declare(strict_types=1);

namespace MintDoor\Core\Cohorts;

use MintDoor\Core\Time\Spans;

/** When somebody belonged and belongs to a cohort: the past as it was, what is to come as it follows. */
final readonly class Membership
{
    private function __construct() {}

    /**
     * What is kept once it was looked at again.
     *
     * @param Spans $kept   until now
     * @param Spans $ahead  from now on, as it follows
     *
     * @return Spans the past of the one and the future of the other, joined where they touch
     */
    public static function renewed(Spans $kept, Spans $ahead, int $now): Spans
    {
        return $kept->without(Spans::always()->from($now))->or($ahead->from($now));
    }
}
