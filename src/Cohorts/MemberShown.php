<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Shared\Named;

/** Schema `CohortMember`: that somebody belongs, belonged or will belong, for one stretch of time. */
final readonly class MemberShown
{
    /**
     * @param string  $from  instant
     * @param ?string $until instant; null for as long as nothing changes
     * @param bool    $now   whether they belong now
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $kind,
        public Named $division,
        public ?int $level,
        public string $from,
        public ?string $until,
        public bool $now,
    ) {}
}
