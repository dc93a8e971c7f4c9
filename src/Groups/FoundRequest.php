<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use Symfony\Component\Validator\Constraints as Assert;

/** A group that somebody founds, and is in from then on. */
final readonly class FoundRequest
{
    public function __construct(
        #[Assert\NotBlank(message: 'groups.name-group', normalizer: 'trim')]
        #[Assert\Length(max: 80, maxMessage: 'groups.shorten-name')] public string $name,
    ) {}
}
