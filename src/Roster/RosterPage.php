<?php

declare(strict_types=1);

namespace MintDoor\Roster;

/** Schema `Roster`: a page of it, with how many people are in the site. */
final readonly class RosterPage
{
    /**
     * @param list<RosterRow>                                                                  $items
     * @param ?string                                                                          $next   a cursor
     * @param array{learners: int, staff: int, others: int, unlisted: int, shown: int} $counts `shown` by the filter
     */
    public function __construct(public array $items, public ?string $next, public array $counts) {}
}
