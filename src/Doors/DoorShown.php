<?php

declare(strict_types=1);

namespace MintDoor\Doors;

/** Schema `Door`: a way into a site, as those see it who keep its doors. */
final readonly class DoorShown
{
    /**
     * @param bool $set whether it is set up as a sentence
     * @param bool $backed whether who keeps it may still give by hand what it gives; otherwise it lets nobody in
     * @param ?string $key for those who may hand it out
     * @param int $came how many came by it, ever
     * @param int $through how many it lets in now
     * @param ?int $left of its seats; null where it has no limit
     * @param array{each: int, came: list<int>} $chart days of a bar, and how many came in each; the last ends today
     */
    public function __construct(
        public string $id,
        public string $kind,
        public string $name,
        public int $version,
        public bool $set,
        public bool $reserved,
        public bool $backed,
        public string $state,
        public ?string $key,
        public ?TermsShown $terms,
        public int $came,
        public int $through,
        public int $waiting,
        public int $asking,
        public int $asked,
        public int $answered,
        public ?int $left,
        public array $chart,
        public ?DoorNext $next,
    ) {}
}
