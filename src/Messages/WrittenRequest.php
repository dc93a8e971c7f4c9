<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Words to some people of a site. */
final readonly class WrittenRequest
{
    /** @param list<string> $people ids */
    public function __construct(
        #[Assert\Count(
            min: 1,
            max: 500,
            minMessage: 'messages.choose-people-first',
            maxMessage: 'messages.write-500-people-most',
        )]
        #[Assert\Unique(message: 'messages.person-chosen-twice')]
        #[Assert\All([
            new Assert\Type('string'),
            new Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id'),
        ])]
        public array $people,
        #[Assert\NotBlank(message: 'messages.write-something', normalizer: 'trim')]
        #[Assert\Length(max: 2_000, maxMessage: 'shared.shorten-words-2-000')] public string $words,
    ) {}
}
