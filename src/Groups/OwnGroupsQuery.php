<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Roles\Permission;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Repository\GroupedPeople;
use MintDoor\Groups\Repository\GroupInvites;
use MintDoor\Groups\Repository\GroupPlaces;
use MintDoor\Groups\Repository\SiteGroups;
use MintDoor\Groups\Repository\Splits;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Sights;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Somebody;

/** Groups that somebody chooses by themselves: how full each is, and of those in it whom they see on the roster. */
final readonly class OwnGroupsQuery
{
    public function __construct(
        private Splits $splits,
        private SiteGroups $groups,
        private GroupPlaces $places,
        private GroupInvites $invites,
        private GroupedPeople $people,
        private Sights $sights,
        private Gate $gate,
        private PlatformClock $clock,
    ) {}

    /** @return list<OwnGroups> those that close first, first; then what was chosen */
    public function of(Caller $caller): array
    {
        $now = $this->clock->instant();
        $open = $over = [];
        foreach ($this->splits->ofPerson($caller->id, $now) as $split) {
            $access = $this->gate->ifThere($split->site->id, $caller);
            $own = null === $access ? null : $this->one($access, $split);
            if (null !== $own) {
                $own->chooses ? ($open[] = $own) : ($over[] = $own);
            }
        }

        return [...$open, ...$over];
    }

    /** Null where it is not about them, or was not opened yet. */
    public function one(SiteAccess $access, GroupSplit $split): ?OwnGroups
    {
        $places = $this->places->of($split, $access->now);
        $caller = $access->caller->id;
        if (
            null !== $split->putAwayAt
            || null === $split->opensAt
            || $split->opensAt > $access->now
            || !\array_key_exists($caller, $places)
        ) {
            return null;
        }
        $chooses = $split->chooses($access->now);
        $mine = $places[$caller];
        $in = array_map(strval(...), array_keys(array_filter($places, is_string(...))));
        $shown = [...$this->seen($access, $in), $caller];
        $asks = $chooses ? $this->invites->to($caller) : [];
        $asked = null === $mine ? [] : $this->invites->into($mine);
        $names = $this->people->names([...$shown, ...array_values($asks), ...$asked]);
        $groups = [];
        foreach ($this->groups->of($split) as $group) {
            $members = array_map(strval(...), array_keys($places, $group->id, true));
            $by = $asks[$group->id] ?? null;
            $groups[] = new OwnGroup(
                $group->id,
                $group->name,
                $group->most(),
                \count($members),
                self::named(array_values(array_intersect($members, $shown)), $names),
                // Who has left it since asks nobody into it.
                null !== $by && \in_array($by, $members, true) ? $names[$by] ?? null : null,
                $group->id === $mine ? self::named($asked, $names) : [],
            );
        }

        return new OwnGroups(
            $split->id,
            $split->name,
            new Somebody($split->site->id, $split->site->title),
            $access->zone()->getName(),
            $chooses,
            $split->founds,
            null === $split->closesAt ? null : Instant::toJson($split->closesAt),
            $mine,
            $groups,
        );
    }

    /**
     * @param list<string> $people ids
     *
     * @return list<string> those of them whom the caller sees on the roster
     */
    public function seen(SiteAccess $access, array $people): array
    {
        return $access->may(Permission::SeeRoster)
            ? $this->people->listed($access->site->id, $this->sights->among($access, $people), $access->now)
            : [];
    }

    /**
     * @param list<string>          $people
     * @param array<string, string> $names
     *
     * @return list<Somebody>
     */
    private static function named(array $people, array $names): array
    {
        return array_map(static fn(string $id): Somebody => new Somebody($id, $names[$id] ?? ''), $people);
    }
}
