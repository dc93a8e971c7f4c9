<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\Detail;
use MintDoor\Core\Platform\DetailType;
use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\OwnKind;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Sites\SiteKind;
use MintDoor\People\Repository\Directory;
use MintDoor\People\Repository\People;
use MintDoor\Platform\Entity\Term;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Platform\Repository\Terms;
use MintDoor\Platform\TermShown;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Details;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Sites\Repository\Sites;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What hardly changes and every page needs: divisions, terms, roles, and in which divisions one may make sites. */
final readonly class PlatformController
{
    public function __construct(
        private Divisions $divisions,
        private Terms $terms,
        private Sites $sites,
        private People $people,
        private Roles $roles,
        private Directory $directory,
        private PlatformClock $clock,
        private PlatformSettings $settings,
        private Details $details,
    ) {}

    #[Route('/platform', name: 'platform', methods: ['GET'])]
    public function platform(#[CurrentUser] Caller $caller): Response
    {
        $tree = $this->divisions->tree();
        $divisions = array_values(
            array_filter(
                array_column($tree->inOrder(), 'division'),
                static fn(Division $division): bool => !$division->retired,
            ),
        );

        return new Answer(
            new PlatformAnswer(
                now: Instant::toJson($this->clock->instant()),
                divisions: array_map(
                    static fn(Division $division): DivisionShown => new DivisionShown(
                        $division->code,
                        $division->name,
                        $division->parent,
                        $tree->levels($division->code),
                    ),
                    $divisions,
                ),
                terms: array_map(
                    static fn(Term $term): TermShown => new TermShown(
                        $term->code,
                        $term->name,
                        $term->startsOn,
                        $term->endsOn,
                    ),
                    $this->terms->all(),
                ),
                highestLevel: max(1, $this->people->highestLevel(), $this->sites->highestLevel()),
                siteKinds: array_map(
                    static fn(SiteKind $kind): SiteKindShown => new SiteKindShown(
                        $kind->code,
                        $kind->name,
                        $kind->glyph,
                        $kind->seats,
                    ),
                    $this->roles->rules()->siteKinds,
                ),
                roles: array_map(self::role(...), $this->roles->book()->all()),
                mayMakeIn: $this->mayMakeIn($caller, array_column($divisions, 'code')),
                kinds: array_map(
                    static fn(OwnKind $kind): OwnKindShown => new OwnKindShown($kind->code, $kind->name, $kind->like),
                    $this->settings->asPut()->kinds,
                ),
                details: array_map(
                    static fn(Detail $detail): DetailOffered => new DetailOffered(
                        $detail->code,
                        $detail->name,
                        $detail->type->value,
                        DetailType::Choice === $detail->type ? $detail->choices : [],
                    ),
                    $this->details->offered($caller),
                ),
            ),
        );
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

    private static function role(Role $role): RoleShown
    {
        return new RoleShown(
            code: $role->code,
            name: $role->name,
            standard: $role->standard,
            rank: $role->rank,
            lead: $role->lead,
            takesSeat: $role->takesSeat,
            listed: $role->listed,
            caution: $role->caution,
            permissions: array_map(
                static fn(Permission $permission): string => $permission->value,
                $role->permissions,
            ),
        );
    }
}
