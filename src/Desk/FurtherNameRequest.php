<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\People\FurtherName;
use MintDoor\Core\People\NameKind;
use Symfony\Component\Validator\Constraints as Assert;

/** A name besides, as it shall be: schema `FurtherName`. */
final readonly class FurtherNameRequest
{
    public function __construct(
        #[Assert\Choice(['former', 'passport', 'script', 'stage', 'other'], message: 'desk.choose-kind-of-name')]
        public string $kind,
        #[Assert\Length(max: FurtherName::LONGEST, maxMessage: 'desk.shorten-name-80-characters')]
        public string $given = '',
        #[Assert\Length(max: FurtherName::LONGEST, maxMessage: 'desk.shorten-name-80-characters')]
        public string $family = '',
    ) {}

    public function name(): FurtherName
    {
        return new FurtherName(NameKind::from($this->kind), trim($this->given), trim($this->family));
    }
}
