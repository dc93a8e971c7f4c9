<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\People\PersonDetailed;

/** A page of the directory: the answer of `directory`. */
final readonly class DirectoryAnswer
{
    /**
     * @param list<PersonDetailed> $items
     * @param int                  $total      how many fit, as far as they were counted
     * @param bool                 $moreThanThat whether more fit than were counted
     * @param ?string              $next       cursor of the next page
     */
    public function __construct(
        public array $items,
        public int $total,
        public bool $moreThanThat,
        public ?string $next,
    ) {}
}
