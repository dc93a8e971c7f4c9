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
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'This is not a person\'s id.')] public string $stays,
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'This is not a person\'s id.')]
        #[Assert\NotEqualTo(propertyPath: 'stays', message: 'These are the same person already.')]
        public string $goes,
        #[Assert\Count(max: 10)]
        #[Assert\All([new Assert\Choice(['stays', 'goes'], message: 'Choose one of the two.')])]
        public array $take = [],
        #[Assert\Count(max: 200)]
        #[Assert\All([new Assert\Type('string'), new Assert\Length(max: 32)])]
        public array $roles = [],
        public bool $apply = false,
    ) {}
}
