<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\Levels;

/** Schema `Division`: a division as forms offer it. */
final readonly class DivisionShown
{
    /**
     * @param ?string $parent code of the division it is a part of
     * @param ?Levels $levels its own or those of the nearest above; null where levels have numbers and no names
     */
    public function __construct(
        public string $code,
        public string $name,
        public ?string $parent,
        public ?Levels $levels,
    ) {}
}
