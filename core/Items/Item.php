<?php

declare(strict_types=1);

namespace MintDoor\Core\Items;

/** Something in a site that may be shown to some of its people. */
final readonly class Item
{
    /**
     * @param string       $id    as the learning platform has it
     * @param ?string      $unit  id of the unit it stands in
     * @param list<string> $names ids of the items that it names or links to
     */
    public function __construct(
        public string $id,
        public ItemKind $kind,
        public string $title,
        public ?string $unit = null,
        public array $names = [],
    ) {}
}
