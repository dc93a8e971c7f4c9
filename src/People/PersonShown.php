<?php

declare(strict_types=1);

namespace MintDoor\People;

use MintDoor\Shared\Named;

/** Schema `Person`: what a caller may see of somebody. What they may not is null, or empty. */
final readonly class PersonShown
{
    public function __construct(
        public string $id,
        public string $given,
        public string $family,
        public ?string $preferred,
        /** @var list<array{kind: string, given: string, family: string}> names besides */
        public array $further,
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
