<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `SiteKindShown`: a kind of site, and what a new site of it begins with. */
final readonly class SiteKindShown
{
    public function __construct(public string $code, public string $name, public string $glyph, public ?int $seats) {}
}
