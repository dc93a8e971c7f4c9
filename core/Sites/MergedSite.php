<?php

declare(strict_types=1);

namespace MintDoor\Core\Sites;

use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/**
 * What one site out of several is: as long as any of them, for the levels of all, with the seats of all together. What
 * only one of them was, its section is.
 */
final readonly class MergedSite
{
    /** @param ?int $seats null where one of them has no limit */
    private function __construct(
        public int $opensAt,
        public int $closesAt,
        public ?int $seats,
        public ?LevelBand $levels,
    ) {}

    /** @param non-empty-list<Site> $sites none of them closed; all drafts or none (`fits()`) */
    public static function of(array $sites): self
    {
        $seats = array_map(static fn(Site $site): ?int => $site->seats, $sites);
        $lowest = $highest = [];
        foreach ($sites as $site) {
            $lowest[] = $site->levels?->lowest;
            $highest[] = $site->levels?->highest;
        }
        $any = \in_array(null, $lowest, true) || \in_array(null, $highest, true);

        return new self(
            min(array_map(static fn(Site $site): int => $site->opensAt, $sites)),
            max(array_map(static fn(Site $site): int => $site->closesAt, $sites)),
            \in_array(null, $seats, true) ? null : (int) array_sum($seats),
            $any ? null : new LevelBand((int) min($lowest), (int) max($highest)),
        );
    }

    /**
     * Why sites cannot become one: nobody comes to enter, or enters no more, by it.
     *
     * @param non-empty-list<Site> $sites
     *
     * @return array<string, 'closed'|'draft'> by site id
     */
    public static function fits(array $sites, int $now): array
    {
        $not = [];
        $drafts = array_filter($sites, static fn(Site $site): bool => $site->opensAt >= Time::FOREVER);
        $mixed = [] !== $drafts && \count($drafts) < \count($sites);
        foreach ($sites as $site) {
            if (SiteState::Closed === $site->stateAt($now)) {
                $not[$site->id] = 'closed';
            } elseif ($mixed && $site->opensAt >= Time::FOREVER) {
                $not[$site->id] = 'draft';
            }
        }

        return $not;
    }

    /** When the section of one of them may be entered, beside what the merged site says. */
    public function windowOf(Site $site): Window
    {
        return new Window(
            $site->opensAt > $this->opensAt ? $site->opensAt : Time::BEGINNING,
            $site->closesAt < $this->closesAt ? $site->closesAt : Time::FOREVER,
        );
    }
}
