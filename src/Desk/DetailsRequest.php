<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\SettingsLaws;
use Symfony\Component\Validator\Constraints as Assert;

/** What shall be kept of somebody under some details. */
final readonly class DetailsRequest
{
    /** @param array<string, string> $values as typed, by code; empty for nothing */
    public function __construct(
        #[Assert\Count(
            min: 1,
            max: SettingsLaws::MOST_DETAILS,
            minMessage: 'people.no-such-detail',
            maxMessage: 'people.no-such-detail',
        )]
        #[Assert\All([new Assert\Type('string'), new Assert\Length(max: 400, maxMessage: 'people.detail.long')])]
        public array $values,
    ) {}
}
