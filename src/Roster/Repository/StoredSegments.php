<?php

declare(strict_types=1);

namespace MintDoor\Roster\Repository;

use MintDoor\People\AlikeNumber;
use MintDoor\Roster\Entity\EnrollmentSegment;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Row;

/**
 * Segments as they are stored, to be compared with what the core computes. By hand: a million of them are read.
 *
 * @extends BaseRepository<EnrollmentSegment>
 */
final class StoredSegments extends BaseRepository
{
    protected const ENTITY = EnrollmentSegment::class;

    private const COLUMNS = [
        'from_at',
        'until_at',
        'state',
        'role',
        'roles',
        'rank',
        'listed',
        'holds_seat',
        'leads',
        'since_at',
        'sections',
    ];

    /** @return list<string> ids of all sites */
    public function sites(): array
    {
        return array_map(static fn(Row $row): string => $row->id('id'), $this->rows('SELECT id FROM site ORDER BY id'));
    }

    /**
     * @return array<string, list<list<string>>> the values of `Enrollments::columns()`, by site and person in one
     *     string
     */
    public function ofSite(string $site): array
    {
        $stored = [];
        $rows = $this->eachRow(
            'SELECT person_id, `'.implode('`, `', self::COLUMNS).'`, g.sort_name, g.alike, e.terms
             FROM enrollment_segment g
             LEFT JOIN enrollment e USING (site_id, person_id)
             WHERE site_id = ?
             ORDER BY person_id, from_at',
            [Id::binary($site)],
        );
        foreach ($rows as $row) {
            $stored[$site.$row->id('person_id')][] = array_map($row->string(...), [
                ...self::COLUMNS,
                'sort_name',
                'alike',
                'terms',
            ]);
        }

        return $stored;
    }

    /** @return array<string, list<string>> what people of a site are sorted, counted and found by, by person */
    public function names(string $site): array
    {
        $names = [];
        foreach (
            $this->rows(
                'SELECT p.id, p.sort_name, '.AlikeNumber::SQL.' AS alike, p.terms
                 FROM enrollment e
                 JOIN person p ON p.id = e.person_id
                 WHERE e.site_id = ?',
                [Id::binary($site)],
            ) as $row
        ) {
            $names[$row->id('id')] = array_map($row->string(...), ['sort_name', 'alike', 'terms']);
        }

        return $names;
    }
}
