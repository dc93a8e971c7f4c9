<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roster\Sight;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Repository\Seen;
use MintDoor\Roster\Repository\Standings;
use MintDoor\Shared\Fragment;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;

/** Whom a caller sees in a site: the core's rule (`Sight`), asked for people that are named one by one. */
final readonly class Sights
{
    public function __construct(private Roles $roles, private Standings $standings) {}

    public static function of(SiteAccess $access): Sight
    {
        return Sight::of($access->standing);
    }

    /**
     * For statements that go over the segments of a site.
     *
     * @param string $alias of the segment
     *
     * @return ?Fragment null where everybody is seen
     */
    public function fragment(SiteAccess $access, string $alias = 'g'): ?Fragment
    {
        return self::of($access)->all() ? null : $this->condition($access, $alias);
    }

    /** The same, one that always holds where everybody is seen. */
    public function condition(SiteAccess $access, string $alias = 'g'): Fragment
    {
        return Seen::of(self::of($access), $this->roles->book(), $alias);
    }

    /** @param Row $row with `person_id` and, where they are or were there, a segment */
    public function seesRow(SiteAccess $access, Row $row): bool
    {
        $segment = null === $row->stringOrNull('state') ? null : SegmentRow::segment($row);

        return self::of($access)->sees($row->id('person_id'), $segment, $this->roles->book());
    }

    /**
     * @param list<string> $people ids
     *
     * @return list<string> those of them whom the caller sees there, by what they are now
     */
    public function among(SiteAccess $access, array $people): array
    {
        $seen = $this->fragment($access, 'unseen');

        return null === $seen || [] === $people
            ? $people
            : array_values(
                array_diff($people, $this->standings->notSeen($access->site->id, $people, $seen, $access->now)),
            );
    }

    /** @throws Problem of type `NotFound` where the caller does not see somebody there */
    public function assertSees(SiteAccess $access, string $person): void
    {
        if ([] === $this->among($access, [$person])) {
            throw Problem::notFound('person');
        }
    }

    /** @return ?list<string> ids of everybody who is or was there and is seen; null for everybody */
    public function everybody(SiteAccess $access): ?array
    {
        $seen = $this->fragment($access);

        return null === $seen ? null : $this->standings->seen($access->site->id, $seen, $access->now);
    }
}
