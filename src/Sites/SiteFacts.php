<?php

declare(strict_types=1);

namespace MintDoor\Sites;

use MintDoor\Platform\TermShown;
use MintDoor\Shared\Named;

/** Schema `SiteFacts`: what schemas `SiteSummary`, `Site` and `Landing` share. */
final readonly class SiteFacts
{
    /**
     * @param ?array{lowest: int, highest: int} $levels
     * @param ?string                           $opensAt  instant
     * @param ?string                           $closesAt instant
     */
    public function __construct(
        public string $id,
        public string $code,
        public string $title,
        public string $kind,
        public Named $division,
        public ?TermShown $term,
        public ?array $levels,
        public string $state,
        public ?string $opensAt,
        public ?string $closesAt,
        public string $timeZone,
    ) {}
}
