<?php

declare(strict_types=1);

namespace MintDoor\Core\Sites;

/** A row of a table of sites, understood as far as it can be. */
final readonly class SiteDraft
{
    /**
     * @param int                                      $number   of the line in the text, from 1
     * @param list<string>                             $leads    as they were written
     * @param list<array{field: string, code: string}> $problems what is not understood: `missing`, `unknown`,
     *     `not-a-number`, `not-levels`
     */
    public function __construct(
        public int $number,
        public string $text,
        public string $title,
        public string $code,
        public string $kind,
        public string $division,
        public string $term,
        public ?int $lowest,
        public ?int $highest,
        public ?int $seats,
        public array $leads,
        public array $problems,
    ) {}
}
