<?php

declare(strict_types=1);

namespace MintDoor\Sheets;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Sheets\Situation;
use MintDoor\Hall\Id;
use MintDoor\Hall\Problem;
use MintDoor\Hall\Row;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Enrollments;
use MintDoor\Roster\SiteAccess;

/** Reads what is, as the core wants it. */
final readonly class Situations
{
    public function __construct(
        private Connection $db,
        private Enrollments $enrollments,
        private Roles $roles,
    ) {
    }

    /** @throws Problem when there is no such person */
    public function person(string $personId): Row
    {
        $row = $this->db->fetchAssociative('SELECT '.PersonRow::COLUMNS.' FROM '.PersonRow::TABLES.' WHERE p.id = ?', [Id::binary($personId)]);

        return new Row(false === $row ? throw Problem::notFound('This person') : $row);
    }

    public function of(SiteAccess $access, Row $person, ?Enrollment $enrollment = null): Situation
    {
        $site = $access->site->id;
        $facts = PersonRow::person($person);
        $desk = $this->db->fetchOne('SELECT id FROM door WHERE site_id = ? AND kind = \'desk\' ORDER BY id LIMIT 1', [Id::binary($site)]);

        return new Situation(
            $access->now,
            $access->site,
            $this->roles->book(),
            $facts,
            $enrollment ?? $this->enrollments->of($site, $facts->id),
            $access->standing,
            null === $access->site->seats ? 0 : $this->enrollments->seatsHeld($site, $access->now),
            $this->enrollments->leads($site, $access->now, $facts->id),
            \is_string($desk) ? Id::text($desk) : throw new \LogicException('Every site has a desk.'),
        );
    }
}
