<?php

declare(strict_types=1);

namespace MintDoor\Items;

use MintDoor\Core\Items\Item;
use MintDoor\Core\Items\Visibility;
use MintDoor\Items\Entity\ItemVisibility;
use MintDoor\Items\Entity\NamedVisibility;

/** The items of a site, and who sees each. */
final readonly class SiteItems
{
    /**
     * @param array<string, Item>            $items        by id, in their order
     * @param array<string, ItemVisibility>  $kept         by item
     * @param array<string, NamedVisibility> $named        by id
     * @param array<string, Visibility>      $visibilities by item; one that is missing is seen by everybody
     * @param array<string, Visibility>      $sentences    of those that have a name, by id
     */
    public function __construct(
        public array $items,
        public array $kept,
        public array $named,
        public array $visibilities,
        public array $sentences,
    ) {}
}
