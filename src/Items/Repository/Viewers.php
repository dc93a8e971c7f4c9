<?php

declare(strict_types=1);

namespace MintDoor\Items\Repository;

use MintDoor\Items\ViewerRow;
use MintDoor\Roster\Entity\EnrollmentSegment;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Fragment;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
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
     * @param Fragment     $seen   about a segment `g`: of whom it is
     *
     * @return array<string, ViewerRow> those who are current, by id
     */
    public function at(string $site, int $at, array $labels, Fragment $seen): array
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

    /** @return list<string> */
    private static function words(string $text): array
    {
        return '' === $text ? [] : explode(' ', $text);
    }
}
