<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\People\PersonVisibility;
use MintDoor\Groups\Repository\GroupedPeople;
use MintDoor\People\Repository\Labels;
use MintDoor\People\Repository\PersonDetails;
use MintDoor\Roster\Caring;
use MintDoor\Roster\Details;
use MintDoor\Roster\Repository\Sections;
use MintDoor\Roster\RosterQuery;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Row;

/** What people are, as far as somebody knows it: groups are made from it, and are to be alike or different in it. */
final readonly class GroupKinds
{
    public function __construct(
        private GroupedPeople $people,
        private Sections $sections,
        private Labels $labels,
        private PersonDetails $kept,
        private Details $details,
        private Caring $caring,
    ) {}

    /** Whether somebody may see a detail of anybody. */
    public function offers(SiteAccess $access, string $detail): bool
    {
        return \in_array($detail, array_column($this->details->offered($access->caller), 'code'), true);
    }

    /**
     * @param 'section'|'level'|'division'|'label'|'detail' $by
     * @param list<string> $labels of interest, for `label`
     * @param string       $detail its code, for `detail`
     * @param list<string> $about  ids of the people
     *
     * @return array{array<string, list<string>>, list<string>} what each is, by person, and an order of what there is;
     *     nothing of a detail that the caller does not see
     */
    public function of(SiteAccess $access, string $by, array $labels, string $detail, array $about): array
    {
        $people = $this->people->of($about);

        return match ($by) {
            'section' => $this->bySection($access, $people),
            'label' => $this->byLabel($labels, $people, $this->known($access, $people)),
            'detail' => $this->byDetail($access, $detail, $people, $this->known($access, $people)),
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
     * @param list<string>       $labels
     * @param array<string, Row> $people
     * @param list<string>       $known
     *
     * @return array{array<string, list<string>>, list<string>}
     */
    private function byLabel(array $labels, array $people, array $known): array
    {
        $kinds = array_fill_keys(array_keys($people), []);
        foreach ($labels as $label) {
            foreach ($this->labels->bearers($label, $known) as $bearer) {
                $kinds[$bearer][] = $label;
            }
        }

        return [$kinds, $labels];
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
}
