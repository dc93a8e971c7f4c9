<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Census;
use MintDoor\Core\Roster\CountedStretch;
use MintDoor\Core\Time\DayRun;
use MintDoor\Core\Time\Time;
use MintDoor\Roster\Repository\Counts;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/**
 * How many people of a site are in each state at the end of each day, from the first who came until the site closes or
 * its term ends: what was, and what will be if nothing is changed. The roster as of one of these days has as many rows.
 */
final readonly class RosterDays
{
    /** Days that are told apart; of longer times it is every second one, and so on. */
    private const MOST = 180;

    /** Seconds that are looked back at most. */
    private const BACK = 5 * 366 * 86_400;

    public function __construct(private Gate $gate, private Counts $counts, private Sights $sights) {}

    #[Route('/sites/{site}/roster-days', name: 'roster_days', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function days(string $site, #[CurrentUser] Caller $caller): Response
    {
        $access = $this->gate
            ->at($site, $caller)
            ->require(Permission::SeeUnlisted, 'roster.only-those-help-run');
        $stretches = array_map(
            SegmentRow::counted(...),
            $this->counts->stretches($site, $this->sights->condition($access)),
        );
        $days = $this->run($access, $stretches);

        return new Answer(
            new RosterDaysAnswer(
                (new \DateTimeImmutable('@'.$access->now))->setTimezone($access->zone())->format('Y-m-d'),
                $days->each,
                $days->days,
                Census::at($days->ends($access->zone()), $stretches)->people,
            ),
        );
    }

    /** @param list<CountedStretch> $stretches */
    private function run(SiteAccess $access, array $stretches): DayRun
    {
        $began = array_map(static fn(CountedStretch $each): int => $each->window->from, $stretches);
        $site = $access->site;
        $ends = Time::FOREVER === $site->closesAt ? $site->termEnds : $site->closesAt;
        $first = max($access->now - self::BACK, min([$access->now, ...$began]));
        $last = max($access->now, Time::FOREVER === $ends ? $access->now : $ends - 1);

        return DayRun::between($first, $last, $access->now, $access->zone(), self::MOST);
    }
}
