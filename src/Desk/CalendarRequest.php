<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** A calendar (iCalendar) as text. */
final readonly class CalendarRequest
{
    public function __construct(public string $text) {}
}
