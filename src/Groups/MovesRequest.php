<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Groups\Move;
use Symfony\Component\Validator\Constraints as Assert;

/** What was moved in one sitting. */
final readonly class MovesRequest
{
    public const MOST = 5_000;

    /** @param list<MoveRequest> $moves one a person */
    public function __construct(
        #[Assert\Count(
            min: 1,
            max: self::MOST,
            minMessage: 'groups.move-somebody',
            maxMessage: 'groups.fewer-moves',
        )]
        #[Assert\Valid] public array $moves,
    ) {}

    /** @return array<string, Move> by person; of one who is named twice the last */
    public function byPerson(): array
    {
        $moves = [];
        foreach ($this->moves as $each) {
            $moves[$each->person] = $each->move();
        }

        return $moves;
    }
}
