<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\ComputedChange;

/** A ready line on its way into the database. */
final readonly class StoredLine
{
    /**
     * @param array<string, mixed> $json     schema `ChangeLine`
     * @param ?string              $undoes   id of the line it takes back
     * @param ?string              $undoesOf what that line had done, as its verb
     */
    public function __construct(
        public string $personId,
        public string $sortName,
        public string $verb,
        public ComputedChange $line,
        public array $json,
        public ?string $note = null,
        public ?string $undoes = null,
        public ?string $undoesOf = null,
    ) {}
}
