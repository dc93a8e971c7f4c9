<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Shared\Somebody;

/** Schema `Plan`. */
final readonly class PlanShown
{
    /**
     * @param string          $state      one of `SitePlan`
     * @param string          $moves      who of those in a section may go to another, one of `Moves`
     * @param list<Somebody>  $stays      who stays all the same
     * @param list<list<Somebody>> $together people who are in one section
     * @param list<list<Somebody>> $apart people of whom no two are in one section
     * @param list<array{by: string, label: string, tolerance: int}> $balances
     * @param ?string         $wishesFrom day; `wishesUntil` too
     * @param bool            $asks       whether wishes may be said now
     * @param bool            $comes      whether that is still to come
     * @param ?string         $closesAt   instant
     * @param int             $answered   how many of those who are asked said what they wish
     * @param int             $asked      how many are
     * @param ?string         $remindedAt instant
     * @param ?string         $seed       of the lot, once it is drawn
     * @param ?string         $drawnAt    instant
     * @param int             $done       steps that are done while it is computed; of `steps`
     * @param list<array{site: ?Somebody, state: string}> $with plans it is computed with; no site where one may not
     *     see it
     * @param ?OutcomeShown   $outcome    once it is computed
     * @param ?string         $changeList id, once it is applied
     * @param bool            $undone     whether that was taken back
     */
    public function __construct(
        public string $state,
        public string $moves,
        public array $stays,
        public array $together,
        public array $apart,
        public array $balances,
        public ?string $wishesFrom,
        public ?string $wishesUntil,
        public bool $asks,
        public bool $comes,
        public ?string $closesAt,
        public int $answered,
        public int $asked,
        public ?string $remindedAt,
        public ?string $seed,
        public ?string $drawnAt,
        public int $done,
        public int $steps,
        public array $with,
        public ?OutcomeShown $outcome,
        public ?string $changeList,
        public bool $undone,
        public int $version,
    ) {}
}
