<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use MintDoor\Roster\Entity\GrantRecord;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Row;

/**
 * What staff gave somebody in a site, and set there, with by whom. By hand: the card of a person opens with every click
 * in a roster (`bin/bench`: a person's column).
 *
 * @extends BaseRepository<GrantRecord>
 */
final class PersonGrants extends BaseRepository
{
    protected const ENTITY = GrantRecord::class;

    /**
     * @return array<string, Row> by id, with `name` and `kind` of the door, `section`, and the names of who gave it,
     *     where somebody did
     */
    public function grants(string $site, string $person): array
    {
        $grants = [];
        foreach (
            $this->rows(
                <<<'SQL'
                    SELECT w.id, d.name, d.kind, c.name AS section, g.given_name, g.family_name, g.preferred_name
                    FROM access_grant w
                    JOIN door d ON d.id = w.door_id
                    LEFT JOIN section c ON c.id = w.section_id
                    LEFT JOIN person g ON g.id = w.given_by
                    WHERE w.site_id = ? AND w.person_id = ?
                    SQL,
                [Id::binary($site), Id::binary($person)],
            ) as $row
        ) {
            $grants[$row->id('id')] = $row;
        }

        return $grants;
    }

    /**
     * @return list<Row> with `id`, `note`, and the names of who set it, where somebody did; those of the whole
     *     enrollment
     */
    public function overrides(string $site, string $person): array
    {
        return $this->rows(
            <<<'SQL'
                SELECT m.id, m.note, p.given_name, p.family_name, p.preferred_name
                FROM enrollment_override m
                LEFT JOIN person p ON p.id = m.put_by
                WHERE m.site_id = ? AND m.person_id = ? AND m.grant_id IS NULL
                ORDER BY m.from_at, m.id
                SQL,
            [Id::binary($site), Id::binary($person)],
        );
    }
}
