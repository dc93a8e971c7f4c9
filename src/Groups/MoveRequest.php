<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Groups\Move;
use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

/** Somebody is to be in another group, or in none. */
final readonly class MoveRequest
{
    public function __construct(
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'shared.not-persons-id')] public string $person,
        /** Id of the group; null for none. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'groups.no-such-group')] public ?string $to = null,
        /** Id of the group they were seen in. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'groups.no-such-group')] public ?string $from = null,
    ) {}

    public function move(): Move
    {
        return new Move($this->person, $this->to, $this->from);
    }
}
