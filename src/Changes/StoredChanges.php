<?php

declare(strict_types=1);

namespace MintDoor\Changes;

/** What was stored of a change list. */
final readonly class StoredChanges
{
    /**
     * @param string               $changeList id
     * @param array<int, StoredAs> $lines      by the keys of the lines; those that were not ready are missing
     */
    public function __construct(public string $changeList, public array $lines) {}
}
