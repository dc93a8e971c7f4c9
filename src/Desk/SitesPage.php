<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Many;
use MintDoor\Shared\Row;

/** A page of sites, as they are stored. */
final readonly class SitesPage
{
    /**
     * @param list<Row> $rows with `SiteRow::COLUMNS`
     * @param Many      $many fit
     * @param ?string   $next cursor of the next page
     * @param int       $archived how many more fit that left the lists, as far as they were counted
     */
    public function __construct(
        public array $rows,
        public Many $many,
        public ?string $next,
        public int $archived = 0,
    ) {}
}
