<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Text\Folding;
use MintDoor\Core\Time\Time;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Directory;
use MintDoor\People\Repository\Labels;
use MintDoor\People\Repository\PersonDetails;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Counts;
use MintDoor\Roster\Repository\RosterList;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Shared\Cursor;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;

/** Who is in a site, as the segments have it: filtered, sorted and paged in the database. */
final readonly class RosterQuery
{
    /** What the answer for a row depends on, but for who it is; most of a page are alike, and are looked at once. */
    private const ALIKE = [
        'state',
        'roles',
        'sections',
        'from_at',
        'until_at',
        'since_at',
        'person_kind',
        'person_division',
        'level',
        'closed_from',
    ];

    public function __construct(
        private RosterList $list,
        private Divisions $divisions,
        private Roles $roles,
        private Counts $counts,
        private WorkMeter $meter,
        private Labels $labels,
        private Caring $caring,
        private Directory $directory,
        private Details $details,
        private PersonDetails $kept,
        private Sections $sections,
        private Sights $sights,
    ) {}

    /**
     * How much of one of them somebody sees.
     *
     * @param Row $person with `PersonRow::COLUMNS`
     */
    public function visibilityOf(SiteAccess $access, Row $person): PersonVisibility
    {
        $visibility = self::visibility($access);
        $known =
            PersonVisibility::Full === $visibility
                ? $this->caring->known(
                    [$person],
                    $access->caller,
                    $access->site->division
                )
                : [];

        return PersonVisibility::Full === $visibility && [] === $known ? PersonVisibility::Masked : $visibility;
    }

    /** How much of the people in a roster somebody sees at most. */
    public static function visibility(SiteAccess $access): PersonVisibility
    {
        return match (true) {
            $access->may(Permission::LetIn) => PersonVisibility::Full,
            $access->may(Permission::SeeUnlisted) => PersonVisibility::Masked,
            default => PersonVisibility::Hidden,
        };
    }

    /**
     * Now, or the last instant of a day for those who help run the site. Grants and overrides keep their history, so
     * that a timeline says of any day what was so then.
     */
    private static function instant(SiteAccess $access, ?string $day): int
    {
        return null === $day || !$access->may(Permission::SeeUnlisted)
            ? $access->now
            : $access->endOf($day, '/asOf') - 1;
    }

    public function page(SiteAccess $access, RosterFilter $filter): RosterPage
    {
        $visibility = self::visibility($access);
        $unlisted = $filter->unlisted && $access->may(Permission::SeeUnlisted);
        $criteria = $this->criteria($access, $filter, $unlisted, $visibility);
        $rows = $this->list->page($criteria, RosterPlace::of($filter));
        $instant = $criteria->at;
        $more = \count($rows) > $filter->limit;
        $rows = \array_slice($rows, 0, $filter->limit);
        $last = [] === $rows ? null : $rows[array_key_last($rows)];
        $count = match (true) {
            null !== $criteria->seen => $this->counts->seen($access->site->id, $instant, $criteria->seen),
            null === $filter->asOf => $this->counts->ofSite($access),
            default => $this->counts->at($access->site->id, $instant, $access->now),
        };

        return new RosterPage(
            $this->items($access, $rows, $visibility, $instant),
            $more && null !== $last
                ? Cursor::write(RosterPlace::list($filter), [
                    $last->string('sort_value'),
                    $last->string('sort_name'),
                    $last->id('person_id'),
                ])
                : null,
            [
                'learners' => $count->learners,
                'staff' => $count->staff,
                'others' => $count->others,
                'unlisted' => $access->may(Permission::SeeUnlisted) ? $count->unlisted : 0,
                'shown' => $this->shown($access, $filter, $count, $criteria),
            ],
        );
    }

    /**
     * Of some people those whom the caller finds in the roster, in the order of their names.
     *
     * @param list<string> $people ids
     *
     * @return array<string, Row> with `PersonRow::COLUMNS`, by person
     */
    public function among(SiteAccess $access, array $people): array
    {
        $filter = new RosterFilter(limit: max(1, \count($people)));
        $unlisted = $access->may(Permission::SeeUnlisted);
        $criteria = $this->criteria($access, $filter, $unlisted, self::visibility($access), $people);
        $found = [];
        foreach ($this->list->page($criteria, RosterPlace::of($filter)) as $row) {
            $found[$row->id('person_id')] = $row;
        }

        return $found;
    }

    /** @return list<string> names of the groups somebody is in, of the ways of dividing people that are not put away */
    public function groupsOf(SiteAccess $access, string $person): array
    {
        return $access->may(Permission::ArrangeGroups)
            ? $this->list->groups($access->site->id, [$person])[$person] ?? []
            : [];
    }

    /** @return list<string> codes of the divisions whose people the caller knows everything of */
    private function known(SiteAccess $access): array
    {
        $reach = $this->directory->reachOf($access->caller);

        return $reach->everything
            ? array_keys($this->divisions->all())
            : $reach->divisions;
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<RosterRow>
     */
    private function items(SiteAccess $access, array $rows, PersonVisibility $visibility, int $instant): array
    {
        $active = $access->may(Permission::SeeActivity);
        $whole = PersonVisibility::Full === $visibility
            ? $this->caring->known(
                $rows,
                $access->caller,
                $access->site->division
            )
            : [];
        $ids = array_map(strval(...), array_keys($whole));
        $labels = $this->labels->ofPeople($ids);
        $details = [] === $this->details->offered($access->caller) ? [] : $this->kept->ofPeople($ids);
        // Most sites divide nobody, and are not asked who is in which group.
        $divided = [] !== $rows && $rows[0]->bool('divided') && $access->may(Permission::ArrangeGroups);
        $groups = $divided
            ? $this->list->groups(
                $access->site->id,
                array_map(static fn(Row $row): string => $row->id('person_id'), $rows),
            )
            : [];
        $of = $active ? \count($this->meter->items($access->site->id)) : 0;
        $asked = $this->asked($access, $rows, $instant);
        $items = $known = $visible = [];
        foreach ($rows as $row) {
            $key = implode(' ', array_map($row->string(...), self::ALIKE));
            $alike = $known[$key] ??= $this->alike($access, $row, $instant);
            $id = $row->id('person_id');
            $seen = $active ? $row->instantOrNull('last_seen_at') : null;
            $division = $row->string('person_division');
            $visible[$division] ??= $this->details->seen($access->caller, $division);
            $items[] = new RosterRow(
                PersonRow::shown(
                    $row,
                    PersonVisibility::Full === $visibility && !isset($whole[$id])
                        ? PersonVisibility::Masked
                        : $visibility,
                ),
                $alike->standing,
                $alike->entry,
                isset($asked[$id]) ? 'waits-for-approval' : $alike->because,
                $row->bool('listed'),
                null === $seen ? null : Instant::toJson($seen),
                $active && $alike->works
                    ? [
                        'done' => $this->meter->done($access->site->id, $id, $row->instant('since_at'), $seen),
                        'of' => $of,
                    ]
                    : null,
                $labels[$id] ?? [],
                $groups[$id] ?? [],
                (object) Details::shown($visible[$division], $details[$id] ?? []),
                $row->int('version'),
            );
        }

        return $items;
    }

    /**
     * @param list<Row> $rows
     *
     * @return array<string, true> by person: those who wait for a yes of their division
     */
    private function asked(SiteAccess $access, array $rows, int $instant): array
    {
        $waiting = array_filter($rows, static fn(Row $row): bool => State::Waiting->value === $row->string('state'));
        $ids = array_map(static fn(Row $row): string => $row->id('person_id'), array_values($waiting));

        return $this->list->asked($access->site->id, $ids, $instant);
    }

    private function alike(SiteAccess $access, Row $row, int $instant): StandsAlike
    {
        $book = $this->roles->book();
        $segment = SegmentRow::segment($row);
        $person = PersonRow::person($row);
        $reason = (new Access($book))->reason(new Timeline([$segment]), $person, $access->site, $instant);

        return new StandsAlike(
            StandingShown::of($segment, $book),
            $reason->entry->value,
            $reason->deciding()->code,
            \in_array(Permission::DoWork, $book->permissions($segment->roles, $person), true),
        );
    }

    /**
     * What is asked for, as far as they may: when people were seen and how they came is for those who help.
     *
     * @param ?list<string> $people ids of those who are meant; null for all
     */
    private function criteria(
        SiteAccess $access,
        RosterFilter $filter,
        bool $unlisted,
        PersonVisibility $visibility,
        ?array $people = null,
    ): RosterCriteria {
        $helps = $access->may(Permission::SeeUnlisted);
        $full = PersonVisibility::Full === $visibility;
        // What is over or refused is for those who can act on it.
        $states = match (true) {
            !$helps => ['current'],
            'here' === $filter->state => State::valuesHere(),
            default => [$filter->state],
        };
        $tokens = Folding::tokens($filter->q ?? '');
        $ago = static fn(?int $days): ?int => null === $days ? null : $access->now - 86_400 * $days;
        $unseen = $access->may(Permission::SeeActivity) ? $filter->seen : null;
        // Numbers and logins are among a person's terms; those who may not see them must not find by them, nor sort.
        $byNumber = 'number' === $filter->sort || [] !== preg_grep('/\d/', $tokens);

        return new RosterCriteria(
            site: $access->site->id,
            at: self::instant($access, $filter->asOf),
            states: $states,
            listed: !$unlisted,
            role: $filter->role,
            level: $filter->level,
            division: $filter->division,
            section: 'none' === $filter->section ? '' : $filter->section,
            group: $access->may(Permission::ArrangeGroups) ? $filter->group : null,
            door: $helps ? $filter->door : null,
            unseen: 'never' === $unseen ? Time::BEGINNING : $ago(null === $unseen ? null : (int) $unseen),
            ends: $helps && null !== $filter->ends ? $ago(-$filter->ends) : null,
            since: $ago($filter->joined),
            label: $access->may(Permission::LetIn) ? $filter->label : null,
            tokens: $tokens,
            byTerms: $full,
            divisions: $full && $byNumber ? $this->known($access) : [],
            details: $full && null !== $filter->details
                ? $this->details->narrowing(
                    $filter->details,
                    $access->caller,
                    $this->directory->reachOf($access->caller),
                )
                : [],
            sections: 'section' === $filter->sort ? $this->sections->ids($access->site->id) : [],
            seen: $this->sights->fragment($access),
            people: $people,
        );
    }

    /** How many rows a filter leaves: known already where nothing but the usual is asked for. */
    private function shown(
        SiteAccess $access,
        RosterFilter $filter,
        SiteCount $count,
        RosterCriteria $criteria,
    ): int {
        return $filter->narrows() || !$access->may(Permission::SeeUnlisted)
            ? $this->list->many($criteria)
            : $count->learners + $count->staff + $count->others + ($criteria->listed ? 0 : $count->unlisted);
    }
}
