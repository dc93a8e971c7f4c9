<?php

declare(strict_types=1);

namespace MintDoor\Core\Items;

/** Something about the items of a site that is hardly meant. */
final readonly class Leak
{
    /**
     * @param 'names-hidden'|'nobody'|'nothing-to-hand-in'|'unit-first' $code
     * @param ?string $item    id
     * @param ?string $other   id of the item that is named, or that comes later
     * @param ?string $section id
     * @param int     $people  whom it is about
     * @param ?int    $at      the first instant at which it is so
     */
    public function __construct(
        public string $code,
        public ?string $item,
        public ?string $other,
        public ?string $section,
        public int $people,
        public ?int $at,
    ) {}
}
