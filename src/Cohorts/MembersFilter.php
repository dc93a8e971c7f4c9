<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use Symfony\Component\Validator\Constraints as Assert;

/** Which members of a cohort are wanted. */
final readonly class MembersFilter
{
    public function __construct(
        /** Words of their names. */
        #[Assert\Length(max: 200, maxMessage: 'shared.look-less-200-characters')] public ?string $q = null,
        /** Whether those who belong no more are wanted, too. */
        public bool $ever = false,
        public ?string $cursor = null,
    ) {}
}
