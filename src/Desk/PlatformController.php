<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Doctrine\DBAL\Connection;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Role;
use MintDoor\People\Directory;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Row;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What hardly changes and every page needs: divisions, terms, roles, and in which divisions one may make sites. */
final readonly class PlatformController
{
    public function __construct(
        private Connection $db,
        private Roles $roles,
        private Directory $directory,
        private PlatformClock $clock,
    ) {}

    #[Route('/platform', name: 'platform', methods: ['GET'])]
    public function platform(#[CurrentUser] Caller $caller): Response
    {
        $divisions = Row::all($this->db->fetchAllAssociative('SELECT code, name FROM division ORDER BY name'));
        $terms = Row::all(
            $this->db->fetchAllAssociative('SELECT code, name, starts_on, ends_on FROM term ORDER BY starts_on'),
        );

        return new Answer([
            'now' => Instant::toJson($this->clock->instant()),
            'divisions' => array_map(
                static fn(Row $row): array => ['code' => $row->string('code'), 'name' => $row->string('name')],
                $divisions,
            ),
            'terms' => array_map(
                static fn(Row $row): array => [
                    'code' => $row->string('code'),
                    'name' => $row->string('name'),
                    'startsOn' => $row->string('starts_on'),
                    'endsOn' => $row->string('ends_on'),
                ],
                $terms,
            ),
            'highestLevel' => $this->highestLevel(),
            'siteKinds' => SiteRequest::KINDS,
            'roles' => array_map($this->role(...), $this->roles->book()->all()),
            'mayMakeIn' => $this->mayMakeIn(
                $caller,
                array_map(static fn(Row $row): string => $row->string('code'), $divisions),
            ),
        ]);
    }

    /** The highest level anybody has, or any site is for. */
    private function highestLevel(): int
    {
        $highest = $this->db->fetchOne(
            <<<'SQL'
                SELECT GREATEST(COALESCE((SELECT MAX(level) FROM person), 1),
                    COALESCE((SELECT MAX(level_highest) FROM site), 1))
                SQL,
        );

        return is_numeric($highest) ? (int) $highest : 1;
    }

    /**
     * @param list<string> $all
     *
     * @return list<string>
     */
    private function mayMakeIn(Caller $caller, array $all): array
    {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            return [];
        }
        $reach = $this->directory->reachOf($caller);

        $may = $reach->everything ? $all : $reach->divisions;
        // Staff mostly belong to a division of their own, and make sites for the others.
        usort($may, static fn(string $a, string $b): int => ($a === $caller->division) <=> ($b === $caller->division));

        return $may;
    }

    /** @return array<string, mixed> schema `Role` */
    private function role(Role $role): array
    {
        return [
            'code' => $role->code,
            'name' => $role->name,
            'standard' => $role->standard,
            'rank' => $role->rank,
            'lead' => $role->lead,
            'takesSeat' => $role->takesSeat,
            'listed' => $role->listed,
            'caution' => $role->caution,
            'permissions' => array_map(
                static fn(Permission $permission): string => $permission->value,
                $role->permissions,
            ),
        ];
    }
}
