<?php

declare(strict_types=1);

namespace MintDoor\Roster\Repository;

use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Time\Window;
use MintDoor\People\PersonRow;
use MintDoor\Roster\Entity\Section;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Somebody;
use MintDoor\Shared\Sql;

/**
 * How full sections are. By hand: asked for everybody who comes through a door (`bin/bench`: joining).
 *
 * @extends BaseRepository<Section>
 */
final class SectionNumbers extends BaseRepository
{
    protected const ENTITY = Section::class;

    /**
     * How many are in each section now.
     *
     * @return array<string, array{learners: int, people: int}> by id, of those in no section by nothing
     */
    public function of(string $site, int $now): array
    {
        $numbers = [];
        foreach (
            $this->rows(
                'SELECT g.sections, COUNT(*) AS people, SUM(g.holds_seat) AS learners
                 FROM enrollment_segment g
                 WHERE g.site_id = :site AND '.Sql::holds('g').' AND g.state IN (:states)
                 GROUP BY g.sections',
                ['site' => Id::binary($site), 'now' => Instant::toSql($now), 'states' => State::valuesHere()],
            ) as $row
        ) {
            foreach ($row->list('sections') ?: [''] as $section) {
                $before = $numbers[$section] ?? ['learners' => 0, 'people' => 0];
                $numbers[$section] = [
                    'learners' => $before['learners'] + $row->int('learners'),
                    'people' => $before['people'] + $row->int('people'),
                ];
            }
        }

        return $numbers;
    }

    /** The most learners who have a place in a section at any instant from now on. */
    public function held(string $site, string $section, int $now): int
    {
        $held = SeatsHeld::none($now);
        foreach (
            $this->rows(
                "SELECT from_at, until_at, COUNT(*) AS people
                 FROM enrollment_segment
                 WHERE site_id = ? AND until_at > ? AND holds_seat = 1 AND state <> 'upcoming' AND sections LIKE ?
                 GROUP BY from_at, until_at",
                [Id::binary($site), Instant::toSql($now), "%$section%"],
            ) as $row
        ) {
            $window = new Window($row->instant('from_at'), $row->instant('until_at'));
            $held = $held->with([$window], $row->int('people'));
        }

        return $held->most();
    }

    /** How many people are in a section now, or will be. */
    public function everIn(string $site, string $section, int $now): int
    {
        return $this->number(
            'SELECT COUNT(DISTINCT person_id)
             FROM enrollment_segment
             WHERE site_id = :site AND until_at > :now AND sections LIKE :section AND state IN (:states)',
            [
                'site' => Id::binary($site),
                'now' => Instant::toSql($now),
                'section' => "%$section%",
                'states' => State::valuesHere(),
            ],
        );
    }

    /** @return list<string> names of doors that lead into a section and are not shut */
    public function doorsTo(string $site, string $section): array
    {
        $rows = $this->rows(
            "SELECT name FROM door
             WHERE site_id = ? AND state = 'open' AND JSON_VALUE(terms, '$.section') = ?
             ORDER BY name",
            [Id::binary($site), $section],
        );

        return array_map(static fn(Row $row): string => $row->string('name'), $rows);
    }

    /**
     * Staff by the sections they are in.
     *
     * @param list<string> $roles codes of those who count
     *
     * @return array<string, list<Somebody>> by section, the highest role first
     */
    public function leads(string $site, array $roles, int $now): array
    {
        $leads = [];
        foreach (
            $this->rows(
                'SELECT g.sections, '.PersonRow::COLUMNS.'
                 FROM enrollment_segment g
                 STRAIGHT_JOIN person p ON p.id = g.person_id
                 STRAIGHT_JOIN division pd ON pd.id = p.division_id
                 LEFT JOIN account a ON a.person_id = p.id
                 WHERE g.site_id = :site AND '.Sql::holds('g')." AND g.state IN (:states) AND g.sections <> ''
                    AND g.role IN (:roles) AND g.listed = 1
                 ORDER BY g.rank DESC, g.sort_name, g.person_id",
                [
                    'site' => Id::binary($site),
                    'now' => Instant::toSql($now),
                    'states' => State::valuesHere(),
                    'roles' => $roles ?: [''],
                ],
            ) as $row
        ) {
            foreach ($row->list('sections') as $section) {
                $leads[$section][] = new Somebody($row->id('person_id'), PersonRow::name($row));
            }
        }

        return $leads;
    }
}
