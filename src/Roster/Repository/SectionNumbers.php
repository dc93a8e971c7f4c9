<?php

declare(strict_types=1);

namespace MintDoor\Roster\Repository;

use MintDoor\Roster\Entity\Section;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Sql;

/**
 * How full sections are. By hand: asked for everybody who comes through a door (`bin/bench`: joining).
 *
 * @extends BaseRepository<Section>
 */
final class SectionNumbers extends BaseRepository
{
    protected const ENTITY = Section::class;

    /** The section of a site with the fewest people in it; null where it has none. */
    public function emptiest(string $site, int $now): ?string
    {
        return $this->row(
            'SELECT s.id
             FROM section s
             LEFT JOIN (
                SELECT w.section_id, COUNT(*) AS people
                FROM access_grant w
                JOIN enrollment_segment g ON g.site_id = w.site_id AND g.person_id = w.person_id
                    AND '.Sql::holds('g')." AND g.state IN ('current', 'paused', 'upcoming')
                WHERE w.site_id = :site AND w.live = 1
                GROUP BY w.section_id
             ) n ON n.section_id = s.id
             WHERE s.site_id = :site
             ORDER BY COALESCE(n.people, 0), s.name, s.id
             LIMIT 1",
            ['site' => Id::binary($site), 'now' => Instant::toSql($now)],
        )?->id('id');
    }
}
