<?php

declare(strict_types=1);

namespace MintDoor\Desk\Repository;

use MintDoor\Core\Roles\Permission;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Sql;

/**
 * Which sites somebody's Today is about: those in which they hold a role that may do what a part of it is for and see
 * the people of all sections, and those they administer. Conditions are about a table `s` of sites, and want its
 * `values()`.
 */
final readonly class TodayScope
{
    private const PERMISSIONS = [
        'keeps' => Permission::KeepDoors,
        'writes' => Permission::WriteToPeople,
        'runs' => Permission::LetIn,
        'arranges' => Permission::ArrangeSections,
        'reads' => Permission::SeeHistory,
    ];

    /** @var array<string, mixed> by name */
    private array $values;

    public function __construct(private Caller $caller, Roles $roles, int $now)
    {
        $this->values = [
            ...array_map(
                static fn(Permission $permission): array => $roles->letting($caller, $permission) ?: [''],
                self::PERMISSIONS,
            ),
            'caller' => Id::binary($caller->id),
            'now' => Instant::toSql($now),
            'divisions' => $caller->divisions ?: [''],
        ];
    }

    /** @param key-of<self::PERMISSIONS> $doing */
    public function sites(string $doing): string
    {
        if ($this->caller->platformAdministrator) {
            return '1 = 1';
        }

        return '(s.id IN (
                SELECT mine.site_id
                FROM enrollment_segment mine
                JOIN site of ON of.id = mine.site_id
                WHERE mine.person_id = :caller AND '.Sql::holds('mine')."
                    AND mine.state = 'current' AND mine.role IN (:$doing)
                    AND (of.sections_apart = 0 OR mine.leads = 1 OR (mine.sections = '' AND mine.holds_seat = 0))
            )".([] === $this->caller->divisions ? '' : ' OR '.$this->administers()).')';
    }

    public function administers(): string
    {
        return $this->caller->platformAdministrator
            ? '1 = 1'
            : 's.division_id IN (SELECT id FROM division WHERE code IN (:divisions))';
    }

    /** @return array<string, mixed> by name */
    public function values(): array
    {
        return $this->values;
    }
}
