<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Shared\Somebody;

/** Schema `SiteNear`: a site that could be planned together with another one. */
final readonly class SiteNearShown
{
    /**
     * @param int  $people  how many of its learners are in the other one too
     * @param bool $planned whether it has a plan
     * @param bool $with    whether that is computed with the other one
     */
    public function __construct(
        public Somebody $site,
        public int $people,
        public bool $planned,
        public bool $with,
    ) {}
}
