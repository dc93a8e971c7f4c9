<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Core\Plans\Tally;

/** Schema `PlanOutcome`: what a plan comes to. */
final readonly class OutcomeShown
{
    /**
     * @param list<array{wish: int, people: int}> $wishes  how many get which wish, the first one first
     * @param array<string, int>                  $because how many by what decided
     * @param int                                 $moves   how many are to be elsewhere than they are
     * @param ?float                              $better  where it was searched for: by what share another plan
     *     could be better at most
     */
    public function __construct(
        public array $wishes,
        public array $because,
        public int $moves,
        public bool $proven,
        public ?float $better,
    ) {}

    public static function of(Outcome $outcome, int $moves): self
    {
        $tally = Tally::of($outcome->why);
        $wishes = [];
        foreach ($tally->wishes as $wish => $people) {
            $wishes[] = ['wish' => $wish, 'people' => $people];
        }

        return new self($wishes, $tally->because, $moves, $outcome->proven, $outcome->better);
    }
}
