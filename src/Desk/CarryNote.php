<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Somebody;

/** What to know of somebody who is carried to another site. */
final readonly class CarryNote
{
    /** @param string $code "stays-blocked", "block-stays-behind" or "pause-stays-behind" */
    public function __construct(public Somebody $person, public string $code) {}
}
