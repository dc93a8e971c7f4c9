<?php

declare(strict_types=1);

namespace MintDoor\Items;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class ItemsFilter
{
    public function __construct(
        /** A day of the site's zone, at whose noon it is looked at; null for now. */
        #[Assert\Date(message: 'shared.write-first-day-year')] public ?string $on = null,
    ) {}
}
