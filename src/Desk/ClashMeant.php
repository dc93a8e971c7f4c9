<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Somebody;

/** Schema `ClashMeant`: who let somebody be in two places at once on purpose, when and why. */
final readonly class ClashMeant
{
    public function __construct(public Somebody $by, public string $at, public ?string $why) {}
}
