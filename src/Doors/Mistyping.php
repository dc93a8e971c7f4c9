<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Shared\Somebody;

/** Somebody who types a key wrongly: member `mistyping` of schema `Arrivals`. */
final readonly class Mistyping
{
    /**
     * @param ?Somebody $person null for who is not signed in
     * @param string $slip what was wrong with it; a code
     * @param ?string $at instant
     */
    public function __construct(
        public ?Somebody $person,
        public string $slip,
        public ?string $at,
    ) {}
}
