<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Entity\CohortLink;
use MintDoor\Cohorts\Repository\CohortMembers;
use MintDoor\Cohorts\Repository\LinkWorks;
use MintDoor\Core\Time\Time;
use MintDoor\Roster\Keepers;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Somebody;

/** Connections of cohorts as whoever keeps a site sees them. */
final readonly class LinksQuery
{
    public function __construct(
        private CohortMembers $members,
        private LinkWorks $work,
        private Keepers $keepers,
    ) {}

    /**
     * @param list<CohortLink> $links of the site
     *
     * @return list<LinkShown>
     */
    public function of(SiteAccess $access, array $links): array
    {
        $cohorts = array_map(static fn(CohortLink $link): string => $link->cohort->id, $links);
        $counts = $this->members->counts(array_values(array_unique($cohorts)), $access->now);

        return array_map(
            fn(CohortLink $link): LinkShown => $this->one($access, $link, $counts[$link->cohort->id] ?? 0),
            $links,
        );
    }

    private function one(SiteAccess $access, CohortLink $link, int $people): LinkShown
    {
        $keeper = $link->door->madeBy;
        $waiting = $this->work->waiting($link->id);
        $held = null === $link->heldAt ? 0 : $waiting[LinkWorks::HELD] ?? 0;
        unset($waiting[LinkWorks::HELD]);
        $section = $link->section;

        return new LinkShown(
            $link->id,
            new Somebody($link->cohort->id, $link->cohort->name),
            $link->cohort->kind,
            new Somebody($link->site()->id, $link->site()->title),
            $link->role,
            null === $section ? null : new Somebody($section->id, $section->name),
            $link->spread,
            $link->fromAt <= Time::BEGINNING ? null : self::day($link->fromAt, $access),
            match (true) {
                $link->toTerm => 'term',
                $link->days > 0 => 'days',
                default => 'at-once',
            },
            $link->days,
            $people,
            $this->work->brought($link->door->id, $access->now),
            null === $link->heldAt ? null : Instant::toJson($link->heldAt),
            $held,
            array_map(
                static fn(string $why, int $n): LinkWaiting => new LinkWaiting($why, $n),
                array_keys($waiting),
                array_values($waiting),
            ),
            null === $keeper ? null : new Somebody($keeper->id, $keeper->name()),
            null !== $this->keepers->backing($access, $keeper?->id, $link->role),
            $link->version,
        );
    }

    private static function day(int $instant, SiteAccess $access): string
    {
        return (new \DateTimeImmutable('@'.$instant))->setTimezone($access->zone())->format('Y-m-d');
    }
}
