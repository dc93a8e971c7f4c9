<?php

declare(strict_types=1);

namespace MintDoor\Changes;

/** A line of schema `ChangeReview`: what it would do, and in which site. */
final readonly class ReviewedLine implements \JsonSerializable
{
    /**
     * @param int $key         its place in what was asked, from 0
     * @param int $siteVersion of the site's own facts
     */
    public function __construct(
        public int $key,
        public SiteInZone $site,
        public int $siteVersion,
        public LineAnswer $line,
    ) {}

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'key' => $this->key,
            'site' => $this->site,
            'siteVersion' => $this->siteVersion,
            ...$this->line->jsonSerialize(),
        ];
    }
}
