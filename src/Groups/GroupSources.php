<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Groups\Kinds;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Groups\Entity\SiteGroup;
use MintDoor\Groups\Repository\GroupPlaces;
use MintDoor\Groups\Repository\SiteGroups;
use MintDoor\Groups\Repository\Splits;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Said;
use MintDoor\Shared\Speech;

/** What groups are made from: so many, or one for each of the things that people are. */
final readonly class GroupSources
{
    public function __construct(
        private Splits $splits,
        private SiteGroups $groups,
        private GroupPlaces $places,
        private GroupKinds $kinds,
        private Speech $speech,
    ) {}

    /**
     * @param list<string> $about ids of the people that are divided
     *
     * @return list<NewGroup>
     *
     * @throws Problem where there is nothing to make groups from
     */
    public function groups(SiteAccess $access, NewSplitRequest $request, array $about): array
    {
        if ('count' === $request->from) {
            return $this->numbered($request);
        }
        if ('split' === $request->from) {
            return $this->copied($access, $request, $about);
        }
        if ('label' === $request->from && [] === $request->labels) {
            throw Problem::field('/labels', 'none', 'groups.choose-label');
        }
        if ('detail' === $request->from && !$this->kinds->offers($access, $request->detail)) {
            throw Problem::field('/detail', 'unknown', 'groups.no-detail');
        }
        $groups = Kinds::groups(
            ...$this->kinds->of($access, $request->from, $request->labels, $request->detail, $about)
        );
        if ([] === $groups) {
            throw Problem::field('/from', 'nothing', 'groups.nothing-to-make-from');
        }
        if (\count($groups) > SplitRequest::MOST_GROUPS) {
            throw Problem::field('/from', 'too-many', 'groups.fewer-groups');
        }
        $new = [];
        foreach ($groups as $kind => $people) {
            $kind = mb_substr((string) $kind, 0, 80);
            $new[] = new NewGroup($this->name($request->from, $kind), $people, $kind);
        }

        return $new;
    }

    /** @return ?string what the groups are made from, as `GroupSplit::$madeFrom` has it */
    public function madeFrom(SiteAccess $access, NewSplitRequest $request): ?string
    {
        return match ($request->from) {
            'count' => null,
            'split' => $this->other($access, $request)->madeFrom,
            'detail' => 'detail:'.$request->detail,
            default => $request->from,
        };
    }

    /**
     * The groups of a split that are for people, by what they are.
     *
     * @param array<string, SiteGroup> $groups by id
     * @param list<string>             $people ids
     *
     * @return array<string, list<string>> ids of groups by person
     */
    public function theirs(SiteAccess $access, GroupSplit $split, array $groups, array $people): array
    {
        $kinds = array_filter(array_map(static fn(SiteGroup $group): ?string => $group->kind, $groups), is_string(...));
        [$from, $detail] = explode(':', $split->madeFrom.':', 3);
        if (!\in_array($from, NewSplitRequest::KINDS, true)) {
            return [];
        }
        [$are] = $this->kinds->of($access, $from, array_values($kinds), $detail, $people);

        return array_map(
            static fn(array $own): array => array_values(
                array_map(strval(...), array_keys(array_intersect($kinds, \array_slice($own, 0, 1)))),
            ),
            $are,
        );
    }

    /** Whether somebody may see a detail of anybody. */
    public function offers(SiteAccess $access, string $detail): bool
    {
        return $this->kinds->offers($access, $detail);
    }

    /** @return list<NewGroup> */
    private function numbered(NewSplitRequest $request): array
    {
        $groups = [];
        for ($n = 1; $n <= $request->count; ++$n) {
            $called = trim($request->called);
            $name = '' === $called ? $this->speech->say(Said::with('groups.numbered', n: $n)) : "$called $n";
            $groups[] = new NewGroup($name);
        }

        return $groups;
    }

    /**
     * @param list<string> $about
     *
     * @return list<NewGroup>
     */
    private function copied(SiteAccess $access, NewSplitRequest $request, array $about): array
    {
        $other = $this->other($access, $request);
        $places = array_intersect_key($this->places->of($other, $access->now), array_flip($about));
        $groups = [];
        foreach ($this->groups->of($other) as $group) {
            $people = array_map(strval(...), array_keys($places, $group->id, true));
            $groups[] = new NewGroup($group->name, $people, $group->kind);
        }

        return $groups;
    }

    private function other(SiteAccess $access, NewSplitRequest $request): GroupSplit
    {
        $other = null === $request->split ? null : $this->splits->one($access->site->id, $request->split);

        return $other ?? throw Problem::field('/split', 'unknown', 'groups.no-such-split');
    }

    private function name(string $from, string $kind): string
    {
        return 'level' === $from
            ? $this->speech->say(Said::with('groups.level', n: (int) $kind))
            : mb_substr($kind, 0, 80);
    }
}
