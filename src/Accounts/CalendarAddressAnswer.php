<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

/** Schema `CalendarAddress`. */
final readonly class CalendarAddressAnswer
{
    /**
     * @param ?string $madeAt instant; null where there is none
     * @param ?string $path   of the address, below that of the platform; only when it has just been made
     */
    public function __construct(public ?string $madeAt, public ?string $path = null) {}
}
