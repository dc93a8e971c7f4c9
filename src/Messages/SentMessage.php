<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Shared\Row;

/** Schema `SentMessage`: how the message of a line stands. */
final readonly class SentMessage
{
    public function __construct(public string $id, public string $state) {}

    /** @param Row $row with `message_id` and `message_state` */
    public static function ofRow(Row $row): ?self
    {
        $id = $row->idOrNull('message_id');

        return null === $id ? null : new self($id, $row->string('message_state'));
    }
}
