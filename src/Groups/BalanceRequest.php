<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Groups\Move;
use Symfony\Component\Validator\Constraints as Assert;

/** Moves that were not made: how would the groups be with them? */
final readonly class BalanceRequest
{
    /** @param list<MoveRequest> $moves one a person */
    public function __construct(
        #[Assert\Count(max: MovesRequest::MOST, maxMessage: 'groups.fewer-moves')]
        #[Assert\Valid] public array $moves,
    ) {}

    /** @return array<string, Move> by person */
    public function byPerson(): array
    {
        return [] === $this->moves ? [] : (new MovesRequest($this->moves))->byPerson();
    }
}
