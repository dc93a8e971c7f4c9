<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Doors\Doorman;
use MintDoor\Core\Doors\Waiter;
use MintDoor\Core\Doors\WaitingList;
use MintDoor\Core\Time\Time;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Row;

/** Reads what decides whether somebody comes through a door, and asks the core. */
final readonly class DoorContextLoader
{
    public function __construct(
        private Connection $db,
        private Gate $gate,
        private ChangeContextLoader $contextLoader,
        private Roles $roles,
        private Doors $doors,
    ) {}

    /** @param ?Row $invitation that is answered, with `id`, `made_by` and `made_at` */
    public function at(Row $door, Caller $caller, ?Row $invitation = null): DoorContext
    {
        $access = $this->gate->atDoor($door->id('site_id'), $caller);
        $terms = DoorTermsJson::of($door);
        $people = $this->contextLoader->people([$caller->id]);
        $person = $people[$caller->id];
        $context = $this->contextLoader->of($access, $people, $invitation?->id('id'))->one($caller->id);
        $found = $this->db->fetchAssociative(
            'SELECT id, what, section_id, offered_until FROM waiter WHERE door_id = ? AND person_id = ? AND waits = 1',
            [Id::binary($door->id('id')), Id::binary($caller->id)],
        );
        $waiter = false === $found ? null : new Row($found);
        $kept = $waiter?->instantOrNull('offered_until');
        $before = $this->db->fetchAssociative(
            <<<'SQL'
                SELECT COUNT(*) AS waiting, COALESCE(SUM(offered_until IS NULL AND person_id <> ?), 0) AS others
                FROM waiter
                WHERE site_id = ? AND waits = 1 AND what = 'seat'
                SQL,
            [Id::binary($caller->id), Id::binary($access->site->id)],
        );
        $before = new Row($before ?: []);
        // The line is only read whole by those who stand in it.
        $place =
            null === $waiter || 'seat' !== $waiter->string('what')
                ? null
                : $this->line($access->site->id)->place($caller->id);
        $admission = (new Doorman($this->roles->book()))->admit(
            $terms->terms(),
            $access->site,
            PersonRow::person($person),
            $person->stringOrNull('email'),
            $access->segment,
            $access->now,
            null === $terms->number('seats') ? 0 : $this->through($door->id('id'), $caller->id, $access),
            $this->free($access, $context, $terms),
            null === $place ? $before->int('others') : $place - 1,
            null !== $kept && $kept > $access->now,
            // Whoever was asked back since was asked by somebody who knew.
            $context->enrollment->removedByStaff($access->now, $invitation?->instant('made_at') ?? Time::BEGINNING),
            $this->backed($access, $terms, $person, ($invitation ?? $door)->idOrNull('made_by')),
        );

        return new DoorContext(
            $access,
            $door,
            $terms,
            $person,
            $context,
            $admission,
            $waiter,
            $place ?? $before->int('waiting') + 1,
        );
    }

    /** Seats of the site that are free for as long as somebody who comes in now stays. */
    private function free(SiteAccess $access, ChangeContext $context, DoorTermsJson $terms): ?int
    {
        $until = max($access->now + 1, $terms->stays($access->site->termEnds));

        return null === $access->site->seats
            ? null
            : max(0, $access->site->seats - $context->seats->most($access->now, $until));
    }

    private function backed(SiteAccess $access, DoorTermsJson $terms, Row $person, ?string $keeper): bool
    {
        $standing = $this->doors->keeper($access->site->id, $keeper);

        return null !== $standing
            && $this->roles->book()->mayGive($terms->text('role'), $standing, PersonRow::person($person), $access->site)
                ->allowed;
    }

    public function line(string $site): WaitingList
    {
        return self::lineOf(
            Row::all(
                $this->db->fetchAllAssociative(
                    <<<'SQL'
                        SELECT id AS waiter, person_id, door_id AS id, ahead, offered_until
                        FROM waiter
                        WHERE site_id = ? AND waits = 1 AND what = 'seat'
                        SQL,
                    [Id::binary($site)],
                ),
            ),
        );
    }

    /** @param list<Row> $rows with `waiter`, `person_id`, the `id` of the door, `ahead`, `offered_until` */
    public static function lineOf(array $rows): WaitingList
    {
        return new WaitingList(
            array_map(
                static fn(Row $row): Waiter => new Waiter(
                    $row->int('waiter'),
                    $row->id('person_id'),
                    $row->id('id'),
                    $row->int('ahead'),
                    $row->instantOrNull('offered_until'),
                ),
                $rows,
            ),
        );
    }

    /** How many seats of a door are held, or kept for others than somebody. */
    public function through(string $door, string $butFor, SiteAccess $access): int
    {
        $at = Instant::toSql($access->now);
        $held = $this->db->fetchOne(
            <<<'SQL'
                SELECT (SELECT COUNT(*) FROM access_grant w JOIN enrollment_segment g ON g.site_id = w.site_id
                    AND g.person_id = w.person_id AND g.from_at <= ? AND g.until_at > ?
                    AND g.state IN (?) WHERE w.door_id = ? AND w.live = 1
                    AND w.accepted_at <= ?) + (SELECT COUNT(*) FROM waiter WHERE door_id = ? AND waits = 1
                    AND offered_until > ? AND person_id <> ?)
                SQL,
            [$at, $at, Doors::through(), Id::binary($door), $at, Id::binary($door), $at, Id::binary($butFor)],
            [2 => ArrayParameterType::STRING],
        );

        return is_numeric($held) ? (int) $held : 0;
    }
}
