<?php

declare(strict_types=1);

namespace MintDoor\People;

use MintDoor\Shared\Named;

/** Schema `Person`: what a caller may see of somebody. What they may not is null. */
final readonly class PersonShown
{
    public function __construct(
        public string $id,
        public string $given,
        public string $family,
        public ?string $preferred,
        public ?string $former,
        public string $kind,
        /** Code of the kind that the platform has beside the four. */
        public ?string $ownKind,
        public ?int $level,
        public Named $division,
        public ?string $number,
        public ?string $login,
        public ?string $email,
    ) {}
}
