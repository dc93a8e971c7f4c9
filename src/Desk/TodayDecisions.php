<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `TodayDecisions`: of one kind, what waits for somebody; the first ones of them in full. */
final readonly class TodayDecisions
{
    /**
     * @param string              $kind  request, leaving, offer, plan, invitation, no-lead, bounced or draft
     * @param bool                $more  whether there are more than were counted
     * @param list<TodayDecision> $items
     */
    public function __construct(
        public string $kind,
        public int $count,
        public bool $more,
        public array $items,
    ) {}
}
