<?php

declare(strict_types=1);

namespace MintDoor\People;

use MintDoor\Core\Platform\DetailWanted;

/** What people are narrowed down by, as far as whoever asks may know it. */
final readonly class DetailNarrowing
{
    /** @param ?list<string> $divisions codes of those of whose people it may be known; null for everybody */
    public function __construct(public DetailWanted $wanted, public ?array $divisions) {}
}
