<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\Tie;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Sites\SiteState;

/**
 * What ties a caretaker to somebody in a site they let people into: each grant that is in force there now. A tie that
 * was broken begins anew, and is of the making of who fixed it; so is one that holds only by dates somebody set.
 */
final class Ties
{
    private function __construct() {}

    /**
     * @param string $caretaker id
     * @param bool   $leads     whether they lead the site
     *
     * @return list<Tie> none where nothing holds, or the site is closed, or a draft of another division
     */
    public static function of(
        Enrollment $enrollment,
        Person $person,
        Site $site,
        string $caretaker,
        bool $leads,
        int $now,
    ): array {
        $here = \in_array($enrollment->timeline()->at($now)?->state, [State::Current, State::Paused], true);
        $lives = match ($site->stateAt($now)) {
            SiteState::Open => true,
            SiteState::Draft => $site->division === $person->division,
            SiteState::Closed => false,
        };
        if (!$here || !$lives) {
            return [];
        }
        $home =
            $site->division === $person->division
            && (null === $site->levels || null === $person->level || $site->levels->contains($person->level));

        return array_map(static function (Grant $grant) use ($enrollment, $caretaker, $leads, $home, $now): Tie {
            $made = self::making($enrollment, $grant, $now);

            return new Tie($leads, $home, $made->by === $caretaker, $made->since);
        }, $enrollment->grantsIn(Phase::InForce, $now));
    }

    /** Since when a grant has been in force without a break, and by whose hand. */
    private static function making(Enrollment $enrollment, Grant $grant, int $now): Making
    {
        $since = max($grant->givenAt, $grant->acceptedAt, min($now, $grant->window->from));
        $maker = $grant->door->bringsByItself() ? null : $grant->givenBy;
        $dates = $enrollment->override(OverrideKind::Dates, $now);
        if (null !== $dates && !$grant->window->contains($now)) {
            $since = max($since, $dates->window->from, min($now, $grant->window->until));
            $maker = $dates->putBy;
        }
        $blocks = array_filter(
            $enrollment->overrides,
            static fn(Override $override): bool => OverrideKind::Blocked === $override->kind
        );
        foreach ([...$grant->overrides, ...$blocks] as $override) {
            $until = $override->window->until;
            if ($until <= $now && $until > $override->window->from && $until >= $since && $until > $grant->givenAt) {
                [$since, $maker] = [$until, $override->endedBy];
            }
        }

        return new Making($since, $maker);
    }
}
