<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** A group as it is to be. */
final readonly class GroupRequest
{
    public function __construct(
        #[Assert\NotBlank(message: 'groups.name-group', normalizer: 'trim')]
        #[Assert\Length(max: 80, maxMessage: 'groups.shorten-name')] public string $name,
        /** Null for a new one. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'groups.no-such-group')] public ?string $id = null,
        /** Null for as many as the split says. */
        #[Assert\Range(notInRangeMessage: 'groups.size-1-1000', min: 1, max: SplitRequest::MOST_SIZE)]
        public ?int $most = null,
        /** Id of a person of the site. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id')] public ?string $leader = null,
        /** For staff. */
        #[Assert\Length(max: 500, maxMessage: 'groups.shorten-notes')] public string $notes = '',
    ) {}
}
