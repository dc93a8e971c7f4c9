<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Weeks\HoursShown;
use MintDoor\Weeks\Occasion;

/** Schema `SectionWished`: a section somebody may wish for. */
final readonly class SectionWished
{
    /**
     * @param string           $meets in the words of who keeps the sections
     * @param list<HoursShown> $hours
     * @param ?Occasion        $clash what they have at that time, so that they cannot be there
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $meets,
        public array $hours,
        public ?Occasion $clash,
    ) {}
}
