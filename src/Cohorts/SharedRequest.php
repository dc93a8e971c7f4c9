<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

/** The roster of a site, or of one of its sections, whose people are to be in another site, too. */
final readonly class SharedRequest
{
    /**
     * @param string  $site    id
     * @param ?string $section id; null for the whole site
     * @param ?string $role    code, of those who are meant; null for everybody
     */
    public function __construct(public string $site, public ?string $section = null, public ?string $role = null) {}
}
