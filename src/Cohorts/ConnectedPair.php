<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Shared\Somebody;

/** Schema `CohortPair`: what becomes of one site by one cohort. */
final readonly class ConnectedPair
{
    /**
     * @param ?string             $link       id, once it is connected
     * @param array<string, int>  $counts     how many, by each of `PersonOutcome::ALL`
     * @param list<PersonOutcome> $people     the first of them: those first for whom something stands in the way
     * @param ?int                $seats      of the site; null for no limit
     * @param int                 $held       how many seats are held after it
     * @param ?string             $changeList id of what was carried out at once
     * @param int                 $left       how many follow within seconds
     * @param ?int                $asks       how many came by it, to be typed where it is taken back from many
     */
    public function __construct(
        public Somebody $cohort,
        public Somebody $site,
        public ?string $link,
        public array $counts,
        public array $people,
        public ?int $seats,
        public int $held,
        public ?string $changeList,
        public int $left,
        public ?int $asks = null,
    ) {}
}
