<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Sites\Site;

/**
 * Everybody of a site at one instant, usually its first meeting: who could enter, and who could not for which reason.
 */
final readonly class FirstDayCheck
{
    /**
     * @param int                                              $enter  how many could enter
     * @param int                                              $look   how many could only look, as their role has it
     * @param array<string, FirstDayGroup>                     $groups by the code of the deciding cause, the largest
     *     first
     */
    private function __construct(public int $enter, public int $look, public array $groups) {}

    /**
     * @param iterable<Alike> $alike those who are not here at the instant are left out
     */
    public static function at(int $instant, Site $site, RoleBook $roles, iterable $alike): self
    {
        $access = new Access($roles);
        $enter = $look = 0;
        $groups = [];
        foreach ($alike as $some) {
            if (true !== $some->timeline->at($instant)?->state->here()) {
                continue;
            }
            $reason = $access->reason($some->timeline, $some->person, $site, $instant);
            if (Entry::Enter === $reason->entry) {
                $enter += \count($some->ids);
            } elseif (Entry::LookOnly === $reason->entry && 'let-in' === $reason->deciding()->code) {
                $look += \count($some->ids);
            } else {
                $code = $reason->deciding()->code;
                $groups[$code] = isset($groups[$code])
                    ? $groups[$code]->and($some->ids)
                    : new FirstDayGroup($reason, $some->ids);
            }
        }

        return new self($enter, $look, self::largestFirst($groups));
    }

    /** Others of the same site, looked at as of another instant, put with them. */
    public function and(self $others): self
    {
        $groups = $this->groups;
        foreach ($others->groups as $code => $group) {
            $groups[$code] = isset($groups[$code]) ? $groups[$code]->and($group->people) : $group;
        }

        return new self($this->enter + $others->enter, $this->look + $others->look, self::largestFirst($groups));
    }

    /**
     * @param array<string, FirstDayGroup> $groups
     *
     * @return array<string, FirstDayGroup>
     */
    private static function largestFirst(array $groups): array
    {
        uasort(
            $groups,
            static fn(FirstDayGroup $a, FirstDayGroup $b): int => \count($b->people) <=> \count($a->people),
        );

        return $groups;
    }
}
