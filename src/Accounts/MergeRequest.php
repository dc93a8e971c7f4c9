<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Two people who are one: looked at only, or merged. */
final readonly class MergeRequest
{
    /**
     * @param array<string, string> $take  "stays" or "goes" by field: whose given name, family name, … is kept
     * @param array<string, string> $roles by site: the role that is kept where they have different ones
     */
    public function __construct(
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id')] public string $stays,
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id')]
        #[Assert\NotEqualTo(propertyPath: 'stays', message: 'accounts.these-same-person-already')]
        public string $goes,
        #[Assert\Count(max: 10)]
        #[Assert\All([new Assert\Choice(['stays', 'goes'], message: 'accounts.choose-two')])]
        public array $take = [],
        #[Assert\Count(max: 200)]
        #[Assert\All([new Assert\Type('string'), new Assert\Length(max: 32)])]
        public array $roles = [],
        public bool $apply = false,
    ) {}
}
