<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Groups\Group;
use MintDoor\Core\Groups\Split;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Entity\SiteGroup;
use MintDoor\Groups\Repository\GroupPlaces;
use MintDoor\Groups\Repository\SiteGroups;
use MintDoor\Groups\Repository\Splits;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Somebody;

/** The ways in which a site's people are divided, as whoever arranges them sees it. */
final readonly class SplitsQuery
{
    public function __construct(
        private Splits $splits,
        private SiteGroups $groups,
        private GroupPlaces $places,
    ) {}

    /** @return list<SplitShown> in their order, those put away behind them */
    public function all(SiteAccess $access): array
    {
        $site = $access->site->id;
        $splits = [...$this->splits->of($site), ...$this->splits->awayOf($site)];
        $counted = $this->places->counted($site, $splits, $access->now, $access->standing->sections);
        $groups = $this->groups->named($site);

        return array_map(
            static fn(GroupSplit $split): SplitShown => self::facts(
                $access,
                $split,
                $groups[$split->id] ?? [],
                $counted[$split->id]['people'],
                $counted[$split->id]['without'],
            ),
            $splits,
        );
    }

    /** @param ?string $changeList id of the one that put people into it just now */
    public function of(SiteAccess $access, GroupSplit $split, ?string $changeList = null): SplitAnswer
    {
        $seen = $this->seen($access, $split);
        $all = null === $access->standing->sections ? $seen : $this->places->of($split, $access->now);
        $groups = $this->groups->of($split);
        $counts = self::state($groups, $all)->counts();
        // Whoever sees the people of some sections only is not told who leads those of others.
        $shown = null === $access->standing->sections ? null : $seen + [$access->caller->id => null];
        $places = [];
        foreach ($seen as $person => $group) {
            $places[] = ['person' => (string) $person, 'group' => $group];
        }

        return new SplitAnswer(
            self::facts(
                $access,
                $split,
                array_values(
                    array_map(
                        static fn(SiteGroup $group): GroupNamed => new GroupNamed($group->id, $group->name),
                        $groups,
                    ),
                ),
                \count($seen), \count(array_filter($seen, is_null(...)))),
            array_values(
                array_map(
                    static fn(SiteGroup $group): GroupShown => self::group($group, $counts[$group->id], $shown),
                    $groups,
                ),
            ),
            $places,
            $changeList,
        );
    }

    /** A split as the core knows it, with everybody it is about. */
    public function stateOf(GroupSplit $split, int $now): Split
    {
        return self::state($this->groups->of($split), $this->places->of($split, $now));
    }

    /**
     * @param array<string, SiteGroup> $groups
     * @param array<string, ?string>   $places
     */
    private static function state(array $groups, array $places): Split
    {
        return new Split(
            array_values(array_map(static fn(SiteGroup $one): Group => new Group($one->id, $one->most()), $groups)),
            $places,
        );
    }

    /** @return array<string, ?string> group by person, of those the caller sees */
    private function seen(SiteAccess $access, GroupSplit $split): array
    {
        return $this->places->of($split, $access->now, $access->standing->sections);
    }

    /** @param list<GroupNamed> $groups */
    private static function facts(
        SiteAccess $access,
        GroupSplit $split,
        array $groups,
        int $people,
        int $without,
    ): SplitShown {
        [$from, $until] = $split->days($access->zone());

        return new SplitShown(
            $split->id,
            $split->name,
            $split->section?->id,
            $split->least,
            $split->most,
            \count($groups),
            $groups,
            $people,
            $without,
            $from,
            $until,
            $split->chooses($access->now),
            $split->founds,
            $split->settles,
            $split->arrives,
            null === $split->madeFrom ? null : explode(':', $split->madeFrom)[0],
            null === $split->putAwayAt ? null : Instant::toJson($split->putAwayAt),
            $split->version,
        );
    }

    /** @param ?array<string, ?string> $shown by id, of whom the caller is told that they lead; null for all */
    private static function group(SiteGroup $group, int $people, ?array $shown): GroupShown
    {
        $leader = $group->leader;
        if (null !== $leader && null !== $shown && !\array_key_exists($leader->id, $shown)) {
            $leader = null;
        }

        return new GroupShown(
            $group->id,
            $group->name,
            $group->most,
            null === $leader ? null : new Somebody($leader->id, $leader->name()),
            $group->notes,
            $people,
        );
    }
}
