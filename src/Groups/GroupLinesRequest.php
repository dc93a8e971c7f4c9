<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use Symfony\Component\Validator\Constraints as Assert;

/** Pasted lines, each somebody who is to be in a group. */
final readonly class GroupLinesRequest
{
    public const MOST_LINES = 2_000;

    public function __construct(
        #[Assert\NotBlank(message: 'groups.paste-something', normalizer: 'trim')]
        #[Assert\Length(max: 100_000, maxMessage: 'groups.fewer-lines')] public string $text,
    ) {}
}
