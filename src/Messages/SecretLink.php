<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\MessageKind;

/**
 * A link that opens something for one person alone, made while its message is sent: the token is in the letter only.
 */
final readonly class SecretLink
{
    /**
     * @param string  $hash       SHA-256 of its token, 32 bytes
     * @param ?string $person     id of whose password it sets
     * @param ?string $invitation id of the invitation it answers
     * @param string  $cause      what the message tells of
     */
    public function __construct(
        public string $hash,
        public MessageKind $kind,
        public ?string $person,
        public ?string $invitation,
        public string $cause,
    ) {}
}
