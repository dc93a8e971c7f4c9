<?php

declare(strict_types=1);

namespace MintDoor\Changes;

/** How some people fit into a section. */
final readonly class SectionFit
{
    /**
     * @param string $section id
     * @param ?int   $free    seats now; null where there is no limit
     * @param int    $fit     who could come in, or are there already
     * @param int    $clash   who have something else at that time
     * @param int    $full    for whom there is no seat
     * @param int    $other   who cannot for another reason
     */
    public function __construct(
        public string $section,
        public string $name,
        public ?int $seats,
        public ?int $free,
        public int $fit,
        public int $clash,
        public int $full,
        public int $other,
    ) {}
}
