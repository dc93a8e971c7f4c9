<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Symfony\Component\Validator\Constraints as Assert;

/** Names, level, number and address of somebody, as they shall be. */
final readonly class FactsRequest
{
    public function __construct(
        #[Assert\NotBlank(message: 'Give a given name.', normalizer: 'trim')]
        #[Assert\Length(max: 80, maxMessage: 'Shorten the name to 80 characters.')]
        public string $given,
        #[Assert\NotBlank(message: 'Give a family name.', normalizer: 'trim')]
        #[Assert\Length(max: 80, maxMessage: 'Shorten the name to 80 characters.')]
        public string $family,
        #[Assert\Length(max: 80, maxMessage: 'Shorten the name to 80 characters.')] public ?string $preferred = null,
        #[Assert\Length(max: 80, maxMessage: 'Shorten the name to 80 characters.')] public ?string $former = null,
        #[Assert\Range(notInRangeMessage: 'Levels go from 1 to 20.', min: 1, max: 20)] public ?int $level = null,
        #[Assert\Length(max: 40, maxMessage: 'Shorten the number to 40 characters.')] public ?string $number = null,
        #[Assert\Length(max: 190, maxMessage: 'Shorten the address to 190 characters.')] public ?string $email = null,
    ) {}
}
