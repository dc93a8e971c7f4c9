<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;

/** Of which sites numbers are asked for. */
final readonly class NumbersFilter
{
    public function __construct(
        #[Assert\Length(max: 32)] public ?string $division = null,
        #[Assert\Length(max: 32)] public ?string $term = null,
        #[Assert\Length(max: 32)] public ?string $kind = null,
        #[Assert\Choice(['draft', 'open', 'closed'], message: 'desk.no-such-state')] public ?string $state = null,
    ) {}
}
