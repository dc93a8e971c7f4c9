<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\MessageKind;
use Symfony\Component\DependencyInjection\Attribute\AutoconfigureTag;

/** Knows what the secret links of some kinds of messages open. */
#[AutoconfigureTag]
interface KeepsSecretLinks
{
    public function opens(MessageKind $kind): bool;

    /** @param non-empty-list<SecretLink> $links */
    public function keep(array $links, int $now): void;
}
