<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Shared\Somebody;

/** Schema `Invitation`. */
final readonly class InvitationShown
{
    /**
     * @param ?Somebody $person whom of the directory
     * @param string $address empty for those of the directory
     * @param int $sent how often
     * @param ?string $madeAt instant
     * @param ?string $lapsesAt instant
     * @param ?string $openedAt instant
     * @param ?string $answeredAt instant
     * @param ?Somebody $answeredBy where somebody else answered
     * @param ?string $reason why its last message did not arrive
     */
    public function __construct(
        public string $id,
        public ?Somebody $person,
        public string $address,
        public string $state,
        public int $sent,
        public ?string $madeAt,
        public ?string $lapsesAt,
        public ?string $openedAt,
        public ?string $answeredAt,
        public ?Somebody $answeredBy,
        public ?string $reason,
    ) {}
}
