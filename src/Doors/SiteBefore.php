<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** The site one stands before: member `site` of schema `JoinLook`. */
final readonly class SiteBefore
{
    /** @param ?string $opensAt instant */
    public function __construct(
        public string $id,
        public string $title,
        public string $kind,
        public string $division,
        public string $term,
        public string $timeZone,
        public ?string $opensAt,
    ) {}
}
