<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Time\Time;
use MintDoor\Shared\Row;

/** Something that is written to somebody about a site. */
final readonly class SiteLetter
{
    /**
     * @param ?Row    $person     with `PersonRow::COLUMNS`; null for an address the directory does not know
     * @param string  $cause      what it is sent for: one cause sends one message
     * @param string  $words      of who sends it
     * @param int     $until      until when something holds
     * @param ?string $invitation id of the one its link answers
     */
    public function __construct(
        public string $address,
        public ?Row $person,
        public string $cause,
        public string $words = '',
        public int $until = Time::FOREVER,
        public ?string $invitation = null,
    ) {}
}
