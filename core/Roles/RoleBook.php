<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\OwnKind;
use MintDoor\Core\Platform\RoleKnown;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Sites\SiteKind;

/** All roles of the platform, highest rank first, and the questions asked of them. */
final readonly class RoleBook
{
    /** @var array<string, Role> */
    private array $roles;

    /** @var array<string, SiteKind> */
    private array $siteKinds;

    /** @var array<string, OwnKind> */
    private array $ownKinds;

    /**
     * @param list<Role>   $roles
     * @param DivisionTree $divisions what holds for one of them holds for those below it
     * @param list<SiteKind> $siteKinds which say of some people what they are offered first
     * @param list<OwnKind> $ownKinds kinds of people beside the four, who may be kept to some roles
     */
    public function __construct(
        array $roles,
        private DivisionTree $divisions = new DivisionTree([]),
        array $siteKinds = [],
        array $ownKinds = [],
    ) {
        $this->ownKinds = array_column($ownKinds, null, 'code');
        $this->siteKinds = array_column($siteKinds, null, 'code');
        usort($roles, static fn(Role $a, Role $b): int => [$b->rank, $a->code] <=> [$a->rank, $b->code]);
        $this->roles = array_column($roles, null, 'code');
    }

    /** @param list<string> $divisions whether one is one of these, or below it */
    public function isOf(string $division, array $divisions): bool
    {
        foreach ($divisions as $each) {
            if ($this->divisions->within($division, $each)) {
                return true;
            }
        }

        return false;
    }

    public function find(string $code): ?Role
    {
        return $this->roles[$code] ?? null;
    }

    /** @return array<string, RoleKnown> what settings need to know of them, by code */
    public function known(): array
    {
        return array_map(static fn(Role $role): RoleKnown => new RoleKnown(
            $role->code,
            array_map(static fn(PersonKind $kind): string => $kind->value, $role->for),
            $role->lead,
        ), $this->roles);
    }

    /** @return list<Role> highest rank first */
    public function all(): array
    {
        return array_values($this->roles);
    }

    /**
     * @param list<string> $codes
     *
     * @return list<Role> those that exist, highest rank first
     */
    public function pick(array $codes): array
    {
        if (1 === \count($codes)) {
            $only = $this->find($codes[0]);

            return null === $only ? [] : [$only];
        }

        return array_values(
            array_filter($this->roles, static fn(Role $role): bool => \in_array($role->code, $codes, true)),
        );
    }

    /** @return list<string> codes of the roles that carry a permission, highest rank first */
    public function holdersOf(Permission $permission): array
    {
        return array_keys(
            array_filter($this->roles, static fn(Role $role): bool => \in_array($permission, $role->permissions, true)),
        );
    }

    /** @return list<string> codes of the roles that let a person do something: a role may take it from some */
    public function letting(Person $person, Permission $permission): array
    {
        return array_keys(
            array_filter(
                $this->roles,
                static fn(Role $role): bool => \in_array($permission, $role->permissionsOf($person), true),
            ),
        );
    }

    /**
     * The union of what roles let a person do.
     *
     * @param list<string> $codes
     *
     * @return list<Permission>
     */
    public function permissions(array $codes, Person $person): array
    {
        $union = [];
        foreach ($this->pick($codes) as $role) {
            foreach ($role->permissionsOf($person) as $permission) {
                $union[$permission->value] = $permission;
            }
        }

        return array_values($union);
    }

    /**
     * Whether one of some roles takes a seat.
     *
     * @param list<string> $codes
     */
    public function takeSeat(array $codes): bool
    {
        return [] !== array_filter($this->pick($codes), static fn(Role $role): bool => $role->takesSeat);
    }

    /** Whether a person may hold a role in a site, whoever gives it. */
    public function mayHold(string $code, Person $person, Site $site): RoleVerdict
    {
        $role = $this->find($code);
        if (null === $role) {
            return RoleVerdict::no('no-such-role');
        }
        if (!\in_array($person->kind, $role->for, true)) {
            return RoleVerdict::no('wrong-kind', ['kind' => $person->kind->value]);
        }
        $own = $this->ownKinds[$person->own ?? ''] ?? null;
        if (null !== $own && !$own->mayHold($code)) {
            return RoleVerdict::no('wrong-kind', ['kind' => $person->kind->value, 'own' => $own->name]);
        }
        if (
            PersonKind::Learner === $person->kind
            && null !== $role->learnersOf
            && (null === $person->level || !$role->learnersOf->contains($person->level))
        ) {
            return RoleVerdict::no('wrong-level', [
                'lowest' => $role->learnersOf->lowest,
                'highest' => $role->learnersOf->highest,
            ]);
        }
        if (null !== $role->caution) {
            return RoleVerdict::withCaution('cautioned', ['caution' => $role->caution]);
        }
        if ($role->takesSeat && $this->outsideTheSite($person, $site)) {
            return RoleVerdict::withCaution('other-levels', [
                'level' => $person->level,
                'lowest' => $site->levels?->lowest,
                'highest' => $site->levels?->highest,
            ]);
        }

        return RoleVerdict::yes();
    }

    /** Whether somebody may give a role to a person in a site. Covers `mayHold`. */
    public function mayGive(string $code, Standing $giver, Person $person, Site $site): RoleVerdict
    {
        $holding = $this->mayHold($code, $person, $site);
        $role = $this->find($code);
        if (!$holding->allowed || null === $role) {
            return $holding;
        }
        if ($giver->administrator) {
            return $holding;
        }
        if ($giver->personId === $person->id && $role->rank > $giver->rank()) {
            return RoleVerdict::no('not-to-yourself', [], $role->givenBy);
        }
        if (!$this->hasToGive($role, $giver)) {
            return RoleVerdict::no('not-yours-to-give', [], $role->givenBy);
        }

        return $holding;
    }

    /** Whether somebody may take a role away: those who could give it may, and anybody may leave. */
    public function mayTake(string $code, Standing $taker, Person $person): bool
    {
        $role = $this->find($code);

        return $taker->administrator
            || $taker->personId === $person->id
            || (null !== $role && $this->hasToGive($role, $taker));
    }

    /**
     * The role to offer first: as before, if they were here; that of such people in sites of this kind; otherwise the
     * highest that is meant for people like them. Of these the first that the giver may give; null when none fits.
     */
    public function suggest(Standing $giver, Person $person, Site $site, ?string $before = null): ?string
    {
        $codes = array_filter(
            $this->roles,
            static fn(Role $role): bool => \in_array($person->kind, $role->suggestFor, true),
        );
        $here = ($this->siteKinds[$site->kind] ?? null)?->roleOf($person->kind->value);
        foreach ([...array_filter([$before, $here], is_string(...)), ...array_keys($codes)] as $code) {
            if ($this->mayGive($code, $giver, $person, $site)->allowed) {
                return $code;
            }
        }

        return null;
    }

    private function hasToGive(Role $role, Standing $giver): bool
    {
        foreach ($giver->roles as $own) {
            if (\in_array($own->code, $role->givenBy, true) && $giver->may(Permission::LetIn)) {
                return true;
            }
        }

        return false;
    }

    private function outsideTheSite(Person $person, Site $site): bool
    {
        return !$this->divisions->within($person->division, $site->division)
            || (null !== $site->levels && null !== $person->level && !$site->levels->contains($person->level));
    }
}
