<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;

/** What somebody is to administer. */
final readonly class AdministratorRequest
{
    /** @param list<string> $divisions codes */
    public function __construct(
        public bool $platform,
        #[Assert\All([new Assert\Type('string')])] public array $divisions = [],
    ) {}
}
