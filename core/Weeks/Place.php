<?php

declare(strict_types=1);

namespace MintDoor\Core\Weeks;

use MintDoor\Core\Text\Folding;

/** Where something meets: a room, and the building it is in. Either may be unknown. */
final readonly class Place
{
    /** Characters of either. */
    public const LONGEST = 80;

    public function __construct(public string $room = '', public string $building = '') {}

    /** Whether people can stand before it: a room is known. */
    public function isKnown(): bool
    {
        return '' !== $this->room;
    }

    /** What two spellings of one place have in common; nothing for one that is not known. */
    public function key(): string
    {
        return $this->isKnown() ? Folding::fold($this->building).'/'.Folding::fold($this->room) : '';
    }

    /** Whether somebody has to walk from one to the other; not where one of the buildings is unknown. */
    public function isFarFrom(self $other): bool
    {
        return '' !== $this->building
            && '' !== $other->building
            && Folding::fold($this->building) !== Folding::fold($other->building);
    }
}
