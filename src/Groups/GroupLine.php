<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Shared\Somebody;

/** Schema `GroupLine`: somebody who was moved, by names of groups; null for none. */
final readonly class GroupLine
{
    public function __construct(public Somebody $person, public ?string $from, public ?string $to) {}
}
