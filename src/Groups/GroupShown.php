<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Shared\Somebody;

/** Schema `Group`. */
final readonly class GroupShown
{
    /**
     * @param ?int $most   how many people fit, where it is not as the split says
     * @param int  $people how many are in it, also those whom the caller does not see
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?int $most,
        public ?Somebody $leader,
        public string $notes,
        public int $people,
    ) {}
}
