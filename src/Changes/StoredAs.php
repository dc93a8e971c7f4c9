<?php

declare(strict_types=1);

namespace MintDoor\Changes;

/** As what a line was stored. */
final readonly class StoredAs
{
    /**
     * @param string $line    id
     * @param int    $entry   sequence number in the history of the site
     * @param int    $version of the enrollment after it
     */
    public function __construct(public string $line, public int $entry, public int $version) {}
}
