<?php

declare(strict_types=1);

namespace MintDoor\Plans;

/** Schema `PlanSection`: a section of the site, as a plan may use it. */
final readonly class PlanSectionShown
{
    /**
     * @param ?int $seats  null where there is no limit
     * @param bool $used   whether the plan puts people into it
     * @param ?int $places how many of the site it takes, where the plan says so; null for as many as it has seats
     * @param ?int $least  how many it has at least, where it has anybody
     * @param int  $now    learners who are in it
     * @param int  $first  how many wish it first; `wished` how many wish it at all
     * @param ?int $after  how many the plan puts there, with those who stay; null where none was computed
     */
    public function __construct(
        public string $id,
        public string $name,
        public ?int $seats,
        public bool $used,
        public ?int $places,
        public ?int $least,
        public int $now,
        public int $first,
        public int $wished,
        public ?int $after,
    ) {}
}
