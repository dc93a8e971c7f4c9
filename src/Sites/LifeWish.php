<?php

declare(strict_types=1);

namespace MintDoor\Sites;

use Symfony\Component\Validator\Constraints as Assert;

final readonly class LifeWish
{
    public function __construct(
        #[Assert\Choice(['draft', 'open', 'closed'], message: 'A site is a draft, open or closed.')]
        public string $state,
    ) {
    }
}
