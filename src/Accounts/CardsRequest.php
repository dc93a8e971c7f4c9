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
            minMessage: 'shared.choose-somebody-first',
            maxMessage: 'accounts.choose-60-people-most',
        )]
        #[Assert\Unique(message: 'accounts.somebody-chosen-twice')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id'),
        ])]
        public array $people,
        /** Whether they choose a password of their own when they sign in. */
        public bool $once = false,
        /** For how many days it holds; null for what the rules say. */
        #[Assert\Range(notInRangeMessage: 'shared.choose-1-365-days', min: 1, max: 365)] public ?int $days = null,
    ) {}
}
