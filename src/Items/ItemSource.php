<?php

declare(strict_types=1);

namespace MintDoor\Items;

use MintDoor\Core\Items\Item;

/**
 * Where it is known what a site has: the learning platform behind the door. Who sees an item is kept here, under the id
 * that the learning platform has for it.
 */
interface ItemSource
{
    /** @return list<Item> of a site, in the order in which they stand there */
    public function items(string $siteId): array;
}
