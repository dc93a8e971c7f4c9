<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

/** That a connection is taken back. */
final readonly class EndRequest
{
    /**
     * @param bool $stay   whether those who are there by it stay as they are
     * @param ?int $number of those who came by it, typed where they are many
     * @param bool $apply  whether it is done, or only said what would come of it
     */
    public function __construct(public bool $stay = false, public ?int $number = null, public bool $apply = false) {}
}
