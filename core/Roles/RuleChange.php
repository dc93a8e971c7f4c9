<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

/** Rules as they are and as somebody wants them: what that does to those who hold roles. */
final readonly class RuleChange
{
    public function __construct(public Rules $before, public Rules $after) {}

    /** @return list<string> codes of the roles that let somebody do something else than before, or that come or go */
    public function roles(): array
    {
        $codes = [];
        foreach ([...$this->before->roles->all(), ...$this->after->roles->all()] as $role) {
            if (!$this->same($this->before->roles->find($role->code), $this->after->roles->find($role->code))) {
                $codes[$role->code] = true;
            }
        }

        return array_map(strval(...), array_keys($codes));
    }

    /**
     * Who would gain or lose which permission, by adding up all they hold: whoever keeps it through another role loses
     * nothing.
     *
     * @param iterable<Holders> $holders
     *
     * @return list<Affected> the most people first
     */
    public function affected(iterable $holders): array
    {
        $counts = $known = [];
        foreach ($holders as $some) {
            // Few are different in what the answer depends on.
            $difference = $known[
                implode(' ', [
                    ...$some->roles,
                    $some->person->kind->value,
                    $some->person->level,
                    $some->person->division,
                ])
            ] ??= RoleDifference::ofPermissions(
                $this->before->roles->permissions($some->roles, $some->person),
                $this->after->roles->permissions($some->roles, $some->person),
            );
            foreach (
                [
                    ...array_map(static fn(Permission $each): array => [$each, true], $difference->also),
                    ...array_map(static fn(Permission $each): array => [$each, false], $difference->not),
                ] as [$permission, $gain]
            ) {
                $key = $permission->value.' '.(int) $gain;
                $counts[$key] ??= ['permission' => $permission, 'gain' => $gain, 'people' => 0, 'sites' => []];
                $counts[$key]['people'] += $some->people;
                $counts[$key]['sites'][$some->site] = true;
            }
        }
        $affected = array_values(
            array_map(
                static fn(array $each): Affected => new Affected(
                    $each['permission'],
                    $each['gain'],
                    $each['people'],
                    \count($each['sites']),
                ),
                $counts,
            ),
        );
        usort(
            $affected,
            static fn(Affected $a, Affected $b): int => [$b->people, $a->permission->value] <=> [
                $a->people,
                $b->permission->value,
            ],
        );

        return $affected;
    }

    private function same(?Role $a, ?Role $b): bool
    {
        return null !== $a && null !== $b && $a->permissions === $b->permissions && $a->bands == $b->bands;
    }
}
