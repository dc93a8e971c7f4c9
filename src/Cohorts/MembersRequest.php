<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use Symfony\Component\Validator\Constraints as Assert;

/** Whom a list is to have from now on besides, and whom no more. */
final readonly class MembersRequest
{
    /**
     * @param list<string> $add    ids
     * @param list<string> $remove ids
     */
    public function __construct(
        #[Assert\Count(max: 10_000, maxMessage: 'cohorts.fewer-people')] public array $add = [],
        #[Assert\Count(max: 10_000, maxMessage: 'cohorts.fewer-people')] public array $remove = [],
    ) {}
}
