<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

/** Schema `HoursOfSite`. */
final readonly class HoursAnswer
{
    /**
     * @param list<HoursShown> $hours    in their order, of those sections whose people the caller sees
     * @param list<PlaceClash> $clashes  hours to come that want their room at the same time as others
     * @param ?string          $lastDay  of the site's term
     * @param int              $version  of the site, for `If-Match`
     * @param ?int             $entry    of the history, where something was changed
     */
    public function __construct(
        public array $hours,
        public array $clashes,
        public ?string $lastDay,
        public int $version,
        public ?int $entry = null,
    ) {}
}
