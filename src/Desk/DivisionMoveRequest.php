<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\DivisionMove;

/** Where what belongs to a division goes: looked at only, or done. */
final readonly class DivisionMoveRequest
{
    /**
     * @param ?string $people code of the division its people go to; null where they stay
     * @param ?string $sites  the same of its sites
     * @param ?string $below  the same of the divisions right below it
     * @param bool    $retire whether it is offered no more afterwards
     */
    public function __construct(
        public string $from,
        public ?string $people = null,
        public ?string $sites = null,
        public ?string $below = null,
        public bool $retire = false,
        public bool $apply = false,
    ) {}

    public function move(): DivisionMove
    {
        return new DivisionMove($this->from, $this->people, $this->sites, $this->below, $this->retire);
    }
}
