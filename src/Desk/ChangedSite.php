<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Shared\Somebody;

/** Schema `ChangedSite`: what others did in a site since somebody saw it last. */
final readonly class ChangedSite
{
    /**
     * @param string $at instant of the last of it
     * @param list<array{code: string, count: int}> $codes what was done and how often, the most frequent first
     * @param list<string> $by names of those who did it, the last first, at most three
     * @param int $others how many more did something
     */
    public function __construct(
        public Somebody $site,
        public string $at,
        public string $timeZone,
        public array $codes,
        public array $by,
        public int $others,
    ) {}
}
