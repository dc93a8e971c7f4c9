<?php

declare(strict_types=1);

namespace MintDoor\History;

/** One thing that happened, as the history keeps it. */
final readonly class Happening
{
    /**
     * @param string               $code   one of `HistoryFilter::codes()`
     * @param array<string, mixed> $data   codes, ids and values, never sentences
     * @param ?string              $person id of whom it is about
     * @param ?string              $line   id of the line of a change list that did it
     */
    public function __construct(
        public string $code,
        public array $data = [],
        public ?string $person = null,
        public ?string $line = null,
    ) {}
}
