<?php

declare(strict_types=1);

namespace MintDoor\Sheets;

use Symfony\Component\Validator\Constraints as Assert;

/** A change sheet as it is asked for; what is made by hand has one line and is applied at once. */
final readonly class SheetWish
{
    /** @param list<LineWish> $lines */
    public function __construct(
        #[Assert\Count(exactly: 1, exactMessage: 'Send one line at a time.')]
        #[Assert\Valid]
        public array $lines,
        public bool $apply = true,
    ) {
    }
}
