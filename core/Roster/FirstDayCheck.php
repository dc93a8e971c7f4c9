<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\People\Person;
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
     * @param array<string, array{Reason, non-empty-list<string>}> $groups by the code of the deciding cause: the reason
     *     of the first, and the ids of all
     */
    private function __construct(public int $enter, public int $look, public array $groups) {}

    /**
     * @param iterable<array{Person, Timeline, non-empty-list<string>}> $alike people who differ in nothing the answer
     *     depends on: one of them, their timeline, and the ids of all; those who are not here at the instant are left
     *     out
     */
    public static function at(int $instant, Site $site, RoleBook $roles, iterable $alike): self
    {
        $access = new Access($roles);
        $enter = $look = 0;
        $groups = [];
        foreach ($alike as [$person, $timeline, $ids]) {
            if (true !== $timeline->at($instant)?->state->here()) {
                continue;
            }
            $reason = $access->reason($timeline, $person, $site, $instant);
            if (Entry::Enter === $reason->entry) {
                $enter += \count($ids);
            } elseif (Entry::LookOnly === $reason->entry && 'let-in' === $reason->deciding()->code) {
                $look += \count($ids);
            } else {
                $code = $reason->deciding()->code;
                $groups[$code][0] ??= $reason;
                $groups[$code][1] ??= [];
                array_push($groups[$code][1], ...$ids);
            }
        }
        uasort($groups, static fn(array $a, array $b): int => \count($b[1]) <=> \count($a[1]));

        return new self($enter, $look, $groups);
    }
}
