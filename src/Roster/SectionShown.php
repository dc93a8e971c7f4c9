<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Shared\Somebody;

/** Schema `Section`. */
final readonly class SectionShown
{
    /**
     * @param ?string        $from     day of the site's time zone, null for no beginning; `until` the last one
     * @param int            $learners who are in it now, or have a seat there
     * @param int            $people   everybody who is in it now
     * @param list<Somebody> $leads    staff who are in it, the highest role first
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?int $seats,
        public ?string $from,
        public ?string $until,
        public string $meets,
        public bool $retired,
        public int $learners,
        public int $people,
        public array $leads,
    ) {}
}
