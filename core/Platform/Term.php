<?php

declare(strict_types=1);

namespace MintDoor\Core\Platform;

/** A stretch of the year that sites belong to; both days are in it. Terms may overlap. */
final readonly class Term
{
    /**
     * @param string  $startsOn year-month-day
     * @param string  $endsOn   year-month-day
     * @param ?string $division code of the one whose sites may have it, with those below; null for all
     */
    public function __construct(
        public string $code,
        public string $name,
        public string $startsOn,
        public string $endsOn,
        public ?string $division = null,
    ) {}
}
