<?php

declare(strict_types=1);

namespace MintDoor\Core\Sites;

/** What a platform calls a kind of site, such as a course or a workshop, and what a site of it begins with. */
final readonly class SiteKind
{
    /**
     * @param string $glyph  one of `Platform\Look::GLYPHS`, shown beside titles; empty for none
     * @param ?int   $seats  that a new site of it has; null for no limit
     * @param bool   $listed whether such sites are among the places to join
     */
    public function __construct(
        public string $code,
        public string $name,
        public string $glyph = '',
        public ?int $seats = null,
        public bool $listed = true,
    ) {}
}
