<?php

declare(strict_types=1);

namespace MintDoor\Roster\Repository;

use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roster\Sight;
use MintDoor\Shared\Fragment;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Sql;

/** The core's rule of who sees whom (`Sight`), as the database is asked with it. */
final class Seen
{
    private function __construct() {}

    /**
     * That somebody sees whoever a segment is of, at its time.
     *
     * @param string $of alias of the segment
     */
    public static function of(Sight $sight, RoleBook $book, string $of = 'g'): Fragment
    {
        if (null === $sight->sections) {
            return new Fragment('1 = 1', []);
        }
        [$always, $inNone] = Sight::seenByAll($book);
        $conditions = [
            "$of.person_id = :seer",
            "$of.role IN (:seen_always)",
            "($of.sections = '' AND $of.role IN (:seen_in_none))",
        ];
        $values = [
            'seer' => Id::binary($sight->personId),
            'seen_always' => $always ?: [''],
            'seen_in_none' => $inNone ?: [''],
        ];
        foreach ($sight->sections as $n => $section) {
            $conditions[] = "$of.sections LIKE :seen_section$n";
            $values["seen_section$n"] = "%$section%";
        }

        return new Fragment('('.implode(' OR ', $conditions).')', $values);
    }

    /**
     * That somebody sees a person of a site, who may be in it no more or never was.
     *
     * @param string $person the column with their id
     */
    public static function person(Sight $sight, RoleBook $book, string $site, int $now, string $person): Fragment
    {
        if (null === $sight->sections) {
            return new Fragment('1 = 1', []);
        }
        $seen = self::of($sight, $book, 'unseen');

        return new Fragment(
            "NOT EXISTS (
                SELECT 1 FROM enrollment_segment unseen
                WHERE unseen.site_id = :seen_site AND unseen.person_id = $person
                    AND ".Sql::holds('unseen', ':seen_at')." AND NOT $seen->sql
            )",
            [...$seen->values, 'seen_site' => Id::binary($site), 'seen_at' => Instant::toSql($now)],
        );
    }

    /**
     * That whoever looks sees whom a segment is of, in any site, by what they are in it themselves.
     *
     * @param string $of  alias of the segment of who is looked at
     * @param string $own alias of their own segment in the same site
     */
    public static function between(RoleBook $book, string $of = 'g', string $own = 'own'): Fragment
    {
        [$always, $inNone] = Sight::seenByAll($book);

        return new Fragment(
            "($of.person_id = $own.person_id
                OR NOT EXISTS (SELECT 1 FROM site apart WHERE apart.id = $of.site_id AND apart.sections_apart = 1)
                OR $own.leads = 1 OR ($own.sections = '' AND $own.role IN (:seen_in_none))
                OR $of.role IN (:seen_always) OR ($of.sections = '' AND $of.role IN (:seen_in_none))
                OR ($of.sections <> '' AND $own.sections REGEXP REPLACE($of.sections, ' ', '|')))",
            ['seen_always' => $always ?: [''], 'seen_in_none' => $inNone ?: ['']],
        );
    }
}
