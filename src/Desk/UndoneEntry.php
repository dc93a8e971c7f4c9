<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\LineAnswer;

/** The answer of `undo`: what was written, and of a change to somebody what became of it. */
final readonly class UndoneEntry
{
    /** @param ?int $entry sequence number of the history entry; null where nothing was written */
    public function __construct(public ?int $entry, public ?LineAnswer $line) {}
}
