<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\Letter;
use MintDoor\Core\Messages\MessageKind;

/** A message on its way into the queue. */
final readonly class Outgoing
{
    /**
     * @param ?string $person  id; null for somebody the directory does not know
     * @param string  $cause   what it tells of; the same is told once
     * @param ?string $site    id, for what happened in a site
     * @param ?string $changeList   id of the change list it came with, and the position of its line there
     * @param ?string $line    id of the applied line it tells of; undoing that in time withdraws it
     * @param ?string $invitation id of the invitation its link answers
     */
    public function __construct(
        public MessageKind $kind,
        public ?string $person,
        public string $address,
        public Letter $letter,
        public string $cause,
        public ?string $site = null,
        public ?string $changeList = null,
        public ?int $position = null,
        public ?string $line = null,
        public ?string $invitation = null,
    ) {}
}
