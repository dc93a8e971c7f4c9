<?php

declare(strict_types=1);

namespace MintDoor\Items\Repository;

use MintDoor\Items\GroupOffered;
use MintDoor\Items\ViewerRow;
use MintDoor\Roster\Entity\EnrollmentSegment;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Fragment;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * What the people of a site are at an instant, as far as it decides what they see. By hand: all people of a site are
 * read at once (`bin/bench`: visibility).
 *
 * @extends BaseRepository<EnrollmentSegment>
 */
final class Viewers extends BaseRepository
{
    protected const ENTITY = EnrollmentSegment::class;

    /**
     * @param list<string> $labels names of those that matter
     * @param list<string> $groups ids of those that matter
     * @param Fragment     $seen   about a segment `g`: of whom it is
     *
     * @return array<string, ViewerRow> those who are current, by id
     */
    public function at(string $site, int $at, array $labels, array $groups, Fragment $seen): array
    {
        $rows = $this->eachNumbered(
            'SELECT g.person_id, g.sections, g.roles, g.sort_name, p.kind, d.code, p.level, p.own_kind
             FROM enrollment_segment g
             JOIN person p ON p.id = g.person_id
             JOIN division d ON d.id = p.division_id
             LEFT JOIN account a ON a.person_id = p.id
             WHERE g.site_id = :site AND '.Sql::holds('g')." AND g.state = 'current' AND $seen->sql
                AND (a.closed_from IS NULL OR a.closed_from > :now)
             ORDER BY g.sort_name, g.person_id",
            [
                ...$seen->values,
                'site' => Id::binary($site),
                'now' => Instant::toSql($at),
            ],
        );
        $borne = $this->labels($site, $labels);
        $in = $this->groups($site, $groups);
        $people = [];
        foreach ($rows as [$id, $sections, $roles, $name, $kind, $division, $level, $ownKind]) {
            $person = Id::text((string) $id);
            $people[$person] = new ViewerRow(
                (string) $name,
                self::words((string) $sections),
                self::words((string) $roles),
                $borne[$person] ?? [],
                (string) $kind,
                (string) $division,
                null === $level ? null : (int) $level,
                null === $ownKind ? null : (string) $ownKind,
                $in[$person] ?? [],
            );
        }

        return $people;
    }

    /**
     * @param list<string> $labels names
     *
     * @return array<string, list<string>> names by person
     */
    private function labels(string $site, array $labels): array
    {
        $borne = [];
        foreach (
            [] === $labels
                ? []
                : $this->rows(
                    'SELECT DISTINCT pl.person_id, l.name
                     FROM label l
                     JOIN person_label pl ON pl.label_id = l.id
                     JOIN enrollment e ON e.person_id = pl.person_id AND e.site_id = ?
                     WHERE l.name IN (?)
                     ORDER BY l.name',
                    [Id::binary($site), $labels],
                ) as $row
        ) {
            $borne[$row->id('person_id')][] = $row->string('name');
        }

        return $borne;
    }

    /**
     * Who is in which group now: groups have no days to come.
     *
     * @param list<string> $groups ids
     * @param ?string      $person id; null for everybody
     *
     * @return array<string, list<string>> ids of groups by person
     */
    public function groups(string $site, array $groups, ?string $person = null): array
    {
        $in = [];
        $sql = 'SELECT l.person_id, l.group_id
                FROM group_place l
                JOIN site_group o ON o.id = l.group_id AND o.gone = 0
                JOIN group_split s ON s.id = l.split_id AND s.put_away_at IS NULL AND s.site_id = :site
                WHERE l.group_id IN (:groups) AND l.live = 1'.(null === $person ? '' : ' AND l.person_id = :person');
        $values = ['site' => Id::binary($site), 'groups' => array_map(Id::binary(...), $groups)];
        $values += null === $person ? [] : ['person' => Id::binary($person)];
        foreach ([] === $groups ? [] : $this->rows($sql, $values) as $row) {
            $in[$row->id('person_id')][] = $row->id('group_id');
        }

        return $in;
    }

    /**
     * @param list<string> $groups ids
     *
     * @return list<string> those of them that are groups of a site, and not gone
     */
    public function known(string $site, array $groups): array
    {
        $sql = 'SELECT o.id FROM site_group o
                JOIN group_split s ON s.id = o.split_id AND s.put_away_at IS NULL AND s.site_id = :site
                WHERE o.id IN (:groups) AND o.gone = 0';
        $values = ['site' => Id::binary($site), 'groups' => array_map(Id::binary(...), $groups)];

        return array_map(
            static fn(Row $row): string => $row->id('id'),
            [] === $groups ? [] : $this->rows($sql, $values),
        );
    }

    /** @return list<GroupOffered> in their order */
    public function offered(string $site): array
    {
        return array_map(
            static fn(Row $row): GroupOffered => new GroupOffered(
                $row->id('id'),
                $row->string('name'),
                $row->string('split'),
                $row->bool('chosen'),
            ),
            $this->rows(
                'SELECT o.id, o.name, s.name AS split, s.opens_at IS NOT NULL AS chosen
                 FROM site_group o
                 JOIN group_split s ON s.id = o.split_id
                 WHERE s.site_id = ? AND s.put_away_at IS NULL AND o.gone = 0
                 ORDER BY s.place, s.id, o.place, o.id',
                [Id::binary($site)],
            ),
        );
    }

    /** @return list<string> */
    private static function words(string $text): array
    {
        return '' === $text ? [] : explode(' ', $text);
    }
}
