<?php

declare(strict_types=1);

namespace MintDoor\Core\Time;

/** A text that should have been a calendar day (`YYYY-MM-DD`) is none. */
final class NotADay extends \InvalidArgumentException
{
    public function __construct(public readonly string $text)
    {
        parent::__construct('Not a calendar day.');
    }
}
