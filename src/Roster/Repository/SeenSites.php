<?php

declare(strict_types=1);

namespace MintDoor\Roster\Repository;

use Doctrine\ORM\QueryBuilder;
use MintDoor\Roster\Entity\EnrollmentSegment;
use MintDoor\Shared\Caller;

/** What somebody may see of lists that go over many sites. */
final class SeenSites
{
    private function __construct() {}

    /**
     * Narrows a query to what belongs to a site `s` in which the caller has one of the roles now and sees the people of
     * all sections (`Sight`), or to one of the alternatives; these may speak of `:me`, the caller, and of `:divisions`,
     * codes of those they administer.
     *
     * @param list<string> $roles codes
     */
    public static function narrow(
        QueryBuilder $query,
        Caller $caller,
        array $roles,
        int $now,
        string ...$alternatives,
    ): QueryBuilder {
        $segment = EnrollmentSegment::class;
        $runs = <<<DQL
            s.id IN (
                SELECT gs.id
                FROM $segment g
                JOIN g.site gs
                WHERE g.person = :me AND g.fromAt <= :now AND g.untilAt > :now AND g.state = 'current'
                    AND g.role IN (:roles)
                    AND (gs.sectionsApart = false OR g.leads = true OR (g.sections = '' AND g.holdsSeat = false))
            )
            DQL;

        return $query
            ->andWhere($query->expr()->orX($runs, ...$alternatives))
            ->setParameter('me', $caller->id, 'id')
            ->setParameter('now', $now, 'instant')
            ->setParameter('roles', $roles ?: [''])
            ->setParameter('divisions', $caller->divisions ?: ['']);
    }
}
