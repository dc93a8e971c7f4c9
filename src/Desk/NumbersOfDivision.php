<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Named;

/** Sums over the sites of a division that were asked for. */
final readonly class NumbersOfDivision
{
    /**
     * @param int $counted learners of the sites of which it is told who came
     * @param int $lately  of them, those who came lately
     */
    public function __construct(
        public Named $division,
        public int $sites,
        public int $learners,
        public int $staff,
        public int $waiting,
        public int $counted,
        public int $lately,
    ) {}
}
