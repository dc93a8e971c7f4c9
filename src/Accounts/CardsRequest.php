<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Sign-in cards for some people: each with a new password, shown once. */
final readonly class CardsRequest
{
    /** @param list<string> $people ids */
    public function __construct(
        #[Assert\Count(
            min: 1,
            max: 60,
            minMessage: 'Choose somebody first.',
            maxMessage: 'Choose 60 people at most, and do the rest after.',
        )]
        #[Assert\Unique(message: 'Somebody is chosen twice.')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'This is not a person\'s id.'),
        ])]
        public array $people,
        /** Whether they choose a password of their own when they sign in. */
        public bool $once = false,
        /** For how many days it holds; null for what the rules say. */
        #[Assert\Range(notInRangeMessage: 'Choose 1 to 365 days.', min: 1, max: 365)] public ?int $days = null,
    ) {}
}
