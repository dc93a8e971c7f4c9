<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `Sites`: a page of them, and how many there are. */
final readonly class SitesAnswer
{
    /**
     * @param list<SiteSummary> $items
     * @param ?string           $next  a cursor
     */
    public function __construct(public array $items, public int $total, public ?string $next) {}
}
