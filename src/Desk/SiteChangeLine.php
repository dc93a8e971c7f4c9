<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\SiteInZone;

/** What became of one of several sites: member `lines` of schema `SiteChanges`. */
final readonly class SiteChangeLine
{
    /**
     * @param array{detail: string, line: mixed}|null $reason why not; `line` of schema `ChangeLine` where one stood in
     *                                                        the way
     * @param ?int                                    $entry  sequence number of the history entry
     */
    public function __construct(
        public SiteInZone $site,
        public string $verdict,
        public ?array $reason,
        public ?int $entry,
    ) {}
}
