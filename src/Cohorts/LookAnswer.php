<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Shared\Somebody;

/** Schema `CohortLook`: whom a rule that is being written is about. */
final readonly class LookAnswer
{
    /**
     * @param int            $people how many would belong now
     * @param int            $later  how many more would, later, as it is known
     * @param list<Somebody> $some   the first of them, by name
     * @param int            $come   how many of them do not belong as it is
     * @param int            $go     how many belong as it is, and would not
     * @param list<LookSite> $sites  what would become of each site it is connected to
     */
    public function __construct(
        public int $people,
        public int $later,
        public array $some,
        public int $come,
        public int $go,
        public array $sites,
    ) {}
}
