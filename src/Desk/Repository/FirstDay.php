<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roster\Alike;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Time;
use MintDoor\Desk\FirstDayPeople;
use MintDoor\Roster\Entity\EnrollmentSegment;
use MintDoor\Roster\SegmentRow;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Fragment;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;
use MintDoor\Shared\Sql;

/**
 * Who is in sites at an instant, as the first-day check wants it. By hand: all people of all sites of somebody are
 * read, numbers for columns, and most of them are alike.
 *
 * @extends BaseRepository<EnrollmentSegment>
 */
final class FirstDay extends BaseRepository
{
    protected const ENTITY = EnrollmentSegment::class;

    private const COLUMNS = [
        'person_id',
        'sort_name',
        'site_id',
        'state',
        'roles',
        'sections',
        'from_at',
        'until_at',
        'kind',
        'level',
        'division',
        'closed_from',
    ];

    /** What the answer does not depend on. */
    private const WITHOUT = ['since_at' => '1000-01-01 00:00:00', 'holds_seat' => 0];

    /**
     * Those put together who differ in nothing the answer depends on.
     *
     * @param array<string, int> $instants by site
     * @param Fragment           $seen     whom of a segment `g` it is about
     */
    public function people(array $instants, Fragment $seen = new Fragment('1 = 1', [])): FirstDayPeople
    {
        $names = $ids = $first = [];
        $at = self::at($instants);
        $sql = "SELECT g.person_id, g.sort_name, g.site_id, g.state, g.roles, g.sections, g.from_at, g.until_at, p.kind,
                p.level, d.code AS division, a.closed_from
             FROM enrollment_segment g
             STRAIGHT_JOIN person p ON p.id = g.person_id
             STRAIGHT_JOIN division d ON d.id = p.division_id
             LEFT JOIN account a ON a.person_id = g.person_id
             WHERE ($at->sql) AND $seen->sql";
        foreach ([] === $instants ? [] : $this->eachNumbered($sql, [...$at->values, ...$seen->values]) as $columns) {
            $key = implode("\0", \array_slice($columns, 2));
            $id = Id::text((string) $columns[0]);
            $names[$id] = (string) $columns[1];
            $ids[$key][] = $id;
            $first[$key] ??= $columns;
        }
        $alike = [];
        foreach ($first as $key => $columns) {
            $row = new Row(array_combine(self::COLUMNS, $columns) + self::WITHOUT);
            $timeline = new Timeline([SegmentRow::segment($row)]);
            $alike[$row->id('site_id')][] = new Alike(self::person($row), $timeline, $ids[$key]);
        }

        return new FirstDayPeople($alike, $names);
    }

    /** @param array<string, int> $instants by site */
    private static function at(array $instants): Fragment
    {
        $where = $values = [];
        foreach (array_values(array_unique($instants)) as $n => $at) {
            $where[] = "(g.site_id IN (:sites$n) AND ".Sql::holds('g', ":at$n").')';
            $values["sites$n"] = self::binary(array_keys($instants, $at, true));
            $values["at$n"] = Instant::toSql($at);
        }

        return new Fragment(implode(' OR ', $where), $values);
    }

    private static function person(Row $row): Person
    {
        return new Person(
            $row->id('person_id'),
            PersonKind::from($row->string('kind')),
            $row->string('division'),
            $row->intOrNull('level'),
            $row->instantOrNull('closed_from') ?? Time::FOREVER,
        );
    }
}
