<?php

declare(strict_types=1);

namespace MintDoor\Core\Changes;

/** What somebody said they mean, although it should be asked about. */
final readonly class Meant
{
    /**
     * @param bool $leadEnds that the site will have no lead from a day on
     * @param bool $clash    that somebody will be wanted in two places at once
     */
    public function __construct(public bool $leadEnds = false, public bool $clash = false) {}
}
