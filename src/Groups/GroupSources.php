<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Groups\Kinds;
use MintDoor\Core\People\PersonVisibility;
use MintDoor\Groups\Repository\GroupedPeople;
use MintDoor\Groups\Repository\GroupPlaces;
use MintDoor\Groups\Repository\SiteGroups;
use MintDoor\Groups\Repository\Splits;
use MintDoor\People\Repository\Labels;
use MintDoor\People\Repository\PersonDetails;
use MintDoor\Roster\Caring;
use MintDoor\Roster\Details;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\RosterQuery;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Shared\Said;
use MintDoor\Shared\Speech;

/** What groups are made from: so many, or one for each of the things that people are. */
final readonly class GroupSources
{
    public function __construct(
        private Splits $splits,
        private SiteGroups $groups,
        private GroupPlaces $places,
        private GroupedPeople $people,
        private Sections $sections,
        private Labels $labels,
        private PersonDetails $kept,
        private Details $details,
        private Caring $caring,
        private Speech $speech,
    ) {}

    /**
     * @param list<string> $about ids of the people that are divided
     *
     * @return array<string, list<string>> ids of those who come into each group, by its name
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
        $groups = Kinds::groups(...$this->kinds($access, $request, $this->people->of($about)));
        if ([] === $groups) {
            throw Problem::field('/from', 'nothing', 'groups.nothing-to-make-from');
        }
        if (\count($groups) > SplitRequest::MOST_GROUPS) {
            throw Problem::field('/from', 'too-many', 'groups.fewer-groups');
        }
        $named = [];
        foreach ($groups as $kind => $people) {
            $named[$this->name($request->from, (string) $kind)] = $people;
        }

        return $named;
    }

    /** @return array<string, list<string>> */
    private function numbered(NewSplitRequest $request): array
    {
        $groups = [];
        for ($n = 1; $n <= $request->count; ++$n) {
            $called = trim($request->called);
            $name = '' === $called ? $this->speech->say(Said::with('groups.numbered', n: $n)) : "$called $n";
            $groups[$name] = [];
        }

        return $groups;
    }

    /**
     * @param list<string> $about
     *
     * @return array<string, list<string>>
     */
    private function copied(SiteAccess $access, NewSplitRequest $request, array $about): array
    {
        $other = null === $request->split ? null : $this->splits->one($access->site->id, $request->split);
        if (null === $other) {
            throw Problem::field('/split', 'unknown', 'groups.no-such-split');
        }
        $places = array_intersect_key($this->places->of($other, $access->now), array_flip($about));
        $groups = [];
        foreach ($this->groups->of($other) as $group) {
            $groups[$group->name] = array_map(strval(...), array_keys($places, $group->id, true));
        }

        return $groups;
    }

    /**
     * @param array<string, Row> $people with `PersonRow::COLUMNS`, by id
     *
     * @return array{array<string, list<string>>, list<string>} what each is, and an order
     */
    private function kinds(SiteAccess $access, NewSplitRequest $request, array $people): array
    {
        return match ($request->from) {
            'section' => $this->bySection($access, $people),
            'label' => $this->byLabel($request, $people, $this->known($access, $people)),
            'detail' => $this->byDetail($access, $request->detail, $people, $this->known($access, $people)),
            'level' => [
                array_map(
                    static fn(Row $row): array => array_filter([(string) $row->intOrNull('level')]),
                    $people,
                ),
                [],
            ],
            default => [array_map(static fn(Row $row): array => [$row->string('person_division_name')], $people), []],
        };
    }

    /**
     * @param array<string, Row> $people
     *
     * @return array{array<string, list<string>>, list<string>}
     */
    private function bySection(SiteAccess $access, array $people): array
    {
        $names = [];
        foreach ($this->sections->offered($access->site->id) as $section) {
            $names[$section->id] = $section->name;
        }
        $theirs = $this->people->sections($access->site->id, $access->now);
        $kinds = [];
        foreach ($people as $person => $row) {
            $kinds[$person] = array_values(array_intersect_key($names, array_flip($theirs[$person] ?? [])));
        }

        return [$kinds, array_values($names)];
    }

    /**
     * Labels and details are known of those only of whom the caller knows everything, as on the roster.
     *
     * @param array<string, Row> $people
     *
     * @return list<string> their ids
     */
    private function known(SiteAccess $access, array $people): array
    {
        $known = PersonVisibility::Full === RosterQuery::visibility($access)
            ? $this->caring->known(array_values($people), $access->caller, $access->site->division)
            : [];

        return array_map(strval(...), array_keys($known));
    }

    /**
     * @param array<string, Row> $people
     * @param list<string>       $known
     *
     * @return array{array<string, list<string>>, list<string>}
     */
    private function byLabel(NewSplitRequest $request, array $people, array $known): array
    {
        if ([] === $request->labels) {
            throw Problem::field('/labels', 'none', 'groups.choose-label');
        }
        $kinds = array_fill_keys(array_keys($people), []);
        foreach ($request->labels as $label) {
            foreach ($this->labels->bearers($label, $known) as $bearer) {
                $kinds[$bearer][] = $label;
            }
        }

        return [$kinds, $request->labels];
    }

    /**
     * Only what the caller sees of each.
     *
     * @param array<string, Row> $people
     * @param list<string>       $known
     *
     * @return array{array<string, list<string>>, list<string>}
     */
    private function byDetail(SiteAccess $access, string $code, array $people, array $known): array
    {
        if (!\in_array($code, array_column($this->details->offered($access->caller), 'code'), true)) {
            throw Problem::field('/detail', 'unknown', 'groups.no-detail');
        }
        $kept = $this->kept->ofPeople($known);
        $kinds = [];
        foreach ($people as $person => $row) {
            $seen = Details::shown(
                $this->details->seen($access->caller, $row->string('person_division')),
                $kept[$person] ?? [],
            );
            $kinds[$person] = array_values(array_filter([$seen[$code] ?? '']));
        }

        return [$kinds, []];
    }

    private function name(string $from, string $kind): string
    {
        return 'level' === $from
            ? $this->speech->say(Said::with('groups.level', n: (int) $kind))
            : mb_substr($kind, 0, 80);
    }
}
