<?php

declare(strict_types=1);

namespace MintDoor\Items;

/** Schema `ItemLine`: what becomes of an item. */
final readonly class ItemLine
{
    /**
     * @param 'ready'|'nothing-to-do' $verdict
     * @param object                  $before who sees it so far
     * @param int                     $sees   how many do, as `will` how many will
     */
    public function __construct(
        public string $id,
        public string $title,
        public string $verdict,
        public object $before,
        public int $sees,
        public int $will,
    ) {}
}
