<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

/** A calendar (iCalendar) as text. */
final readonly class HoursFileRequest
{
    public function __construct(public string $text) {}
}
