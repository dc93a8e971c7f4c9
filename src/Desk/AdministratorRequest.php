<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;

/** What somebody is to administer. */
final readonly class AdministratorRequest
{
    /**
     * @param list<string> $divisions codes of those they administer
     * @param bool         $numbers   whether they may look at the numbers of all of the platform
     * @param list<string> $numbersOf codes of the divisions at whose numbers they may look
     */
    public function __construct(
        public bool $platform,
        #[Assert\All([new Assert\Type('string')])] public array $divisions = [],
        public bool $numbers = false,
        #[Assert\All([new Assert\Type('string')])] public array $numbersOf = [],
    ) {}
}
