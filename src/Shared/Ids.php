<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Symfony\Component\Uid\Uuid;

/** Fresh UUIDs of version 7 (RFC 9562). */
final class Ids implements \MintDoor\Core\Ids
{
    public function next(): string
    {
        return Uuid::v7()->toRfc4122();
    }
}
