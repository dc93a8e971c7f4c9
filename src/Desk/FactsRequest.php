<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\People\FurtherName;
use MintDoor\Core\Platform\Levels;
use Symfony\Component\Validator\Constraints as Assert;

/** Names, level, number and address of somebody, as they shall be. */
final readonly class FactsRequest
{
    public function __construct(
        #[Assert\NotBlank(message: 'desk.give-given-name', normalizer: 'trim')]
        #[Assert\Length(max: 80, maxMessage: 'desk.shorten-name-80-characters')]
        public string $given,
        #[Assert\NotBlank(message: 'desk.give-family-name', normalizer: 'trim')]
        #[Assert\Length(max: 80, maxMessage: 'desk.shorten-name-80-characters')]
        public string $family,
        #[Assert\Length(max: 80, maxMessage: 'desk.shorten-name-80-characters')] public ?string $preferred = null,
        /** @var list<FurtherNameRequest> */
        #[Assert\Count(max: FurtherName::MOST, maxMessage: 'desk.too-many-further-names')]
        #[Assert\Valid]
        public array $further = [],
        #[Assert\Range(
            notInRangeMessage: 'shared.levels-go-1-40',
            min: 1,
            max: Levels::HIGHEST
        )] public ?int $level = null,
        #[Assert\Length(max: 40, maxMessage: 'desk.shorten-number-40-characters')] public ?string $number = null,
        #[Assert\Length(max: 190, maxMessage: 'desk.shorten-address-190-characters')] public ?string $email = null,
        #[Assert\Regex('/^[a-z0-9-]{1,32}$/D', message: 'shared.no-such-kind-person')]
        public ?string $ownKind = null,
    ) {}
}
