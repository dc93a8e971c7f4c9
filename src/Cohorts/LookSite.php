<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

/** Schema `CohortLookSite`: what would become of a site. */
final readonly class LookSite
{
    /**
     * @param ?string $site  id; null where the caller may not know of it
     * @param int     $come  how many would come to it
     * @param int     $go    how many would lose access, at once or later
     * @param int     $stay  how many of those who belong no more stay by another way
     * @param bool    $waits whether so many would go that it waits for a yes
     */
    public function __construct(
        public ?string $site,
        public ?string $title,
        public int $come,
        public int $go,
        public int $stay,
        public bool $waits,
    ) {}
}
