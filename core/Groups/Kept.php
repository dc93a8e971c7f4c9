<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** How far a wish is met. */
final readonly class Kept
{
    /**
     * @param int $lacks by how much it is broken
     * @param int $least no groups break it by less
     * @param int $whole by how much it could be broken at all
     */
    public function __construct(public int $lacks, public int $least, public int $whole) {}
}
