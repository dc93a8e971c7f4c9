<?php

declare(strict_types=1);

namespace MintDoor\Weeks\Repository;

use MintDoor\Core\Roster\Timeline;
use MintDoor\Roster\Entity\EnrollmentSegment;
use MintDoor\Roster\SegmentRow;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Sql;

/**
 * In which sites people are, from an instant on. By hand: a thousand people are asked about at once before they are
 * put into a section.
 *
 * @extends BaseRepository<EnrollmentSegment>
 */
final class Attendances extends BaseRepository
{
    protected const ENTITY = EnrollmentSegment::class;

    /**
     * @param list<string> $people ids
     *
     * @return array<string, array<string, Timeline>> by person and site; of sites that have hours only
     */
    public function of(array $people, int $from): array
    {
        $segments = [];
        foreach (
            [] === $people ? [] : $this->rows(
                'SELECT g.person_id, g.site_id, g.state, g.roles, g.from_at, g.until_at, g.since_at, g.holds_seat,
                    g.sections
                 FROM enrollment_segment g
                 WHERE g.person_id IN ('.Sql::ids($people).") AND g.until_at > ? AND g.state = 'current'
                    AND EXISTS (SELECT 1 FROM hours h WHERE h.site_id = g.site_id AND h.until_at > ?)
                 ORDER BY g.from_at",
                [Instant::toSql($from), Instant::toSql($from)],
            ) as $row
        ) {
            $segments[$row->id('person_id')][$row->id('site_id')][] = SegmentRow::segment($row);
        }

        return array_map(
            static fn(array $sites): array => array_map(
                static fn(array $own): Timeline => new Timeline($own),
                $sites,
            ),
            $segments,
        );
    }

    /** @return array<string, Timeline> of those who are in a site at any time from an instant on, by person */
    public function inSite(string $site, int $from): array
    {
        $segments = [];
        foreach (
            $this->rows(
                "SELECT person_id, state, roles, from_at, until_at, since_at, holds_seat, sections
                 FROM enrollment_segment
                 WHERE site_id = ? AND until_at > ? AND state = 'current'
                 ORDER BY person_id, from_at",
                [Id::binary($site), Instant::toSql($from)],
            ) as $row
        ) {
            $segments[$row->id('person_id')][] = SegmentRow::segment($row);
        }

        return array_map(static fn(array $own): Timeline => new Timeline($own), $segments);
    }
}
