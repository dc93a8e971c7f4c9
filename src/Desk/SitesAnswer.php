<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `Sites`: a page of them, and how many there are. */
final readonly class SitesAnswer
{
    /**
     * @param list<SiteSummary> $items
     * @param int               $total        how many fit, as far as they were counted
     * @param bool              $moreThanThat whether more fit than were counted
     * @param ?string           $next         a cursor
     * @param int               $archived     how many fit that left the lists, as far as they were counted; on the
     *     first page
     */
    public function __construct(
        public array $items,
        public int $total,
        public bool $moreThanThat,
        public ?string $next,
        public int $archived,
    ) {}
}
