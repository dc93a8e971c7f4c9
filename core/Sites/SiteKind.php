<?php

declare(strict_types=1);

namespace MintDoor\Core\Sites;

/** What a platform calls a kind of site, such as a course or a workshop. */
final readonly class SiteKind
{
    public function __construct(public string $code, public string $name) {}
}
