<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Many;
use MintDoor\Shared\Row;

/** A page of the directory, as it is stored. */
final readonly class DirectoryPage
{
    /**
     * @param list<Row> $rows with `PersonRow::COLUMNS`
     * @param Many      $many fit
     * @param ?string   $next cursor of the next page
     */
    public function __construct(
        public array $rows,
        public Many $many,
        public ?string $next,
    ) {}
}
