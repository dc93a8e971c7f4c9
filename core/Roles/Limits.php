<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

/** How much of something there may be, for the whole platform. */
final readonly class Limits
{
    /** No sheet is longer, whatever the platform has set. */
    public const LONGEST_SHEET = 100_000;

    /**
     * @param int $seats        the most seats a site may be given
     * @param int $leads        leads of a site that has no limit of its own
     * @param int $sheet        lines of a sheet
     * @param int $removalFew   so many, and fewer, may be taken out at once without being asked
     * @param int $removalShare per cent of a site; more than this share, and more than few, wants the number typed
     */
    public function __construct(
        public int $seats = 100_000,
        public int $leads = 10,
        public int $sheet = 10_000,
        public int $removalFew = 5,
        public int $removalShare = 20,
    ) {
    }

    /** Whether taking out so many of so many who are here wants the number typed. */
    public function manyRemoved(int $people, int $here): bool
    {
        return $people > $this->removalFew && 100 * $people > $this->removalShare * $here;
    }
}
