<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\Tie;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Sites\SiteState;

/**
 * What ties a caretaker to somebody in a site they let people into: each grant that is in force there now. A tie that
 * was broken begins anew, and is of the making of who mended it; so is one that holds only by dates somebody set.
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

        return array_map(static function (Grant $pass) use ($enrollment, $caretaker, $leads, $home, $now): Tie {
            [$since, $maker] = self::making($enrollment, $pass, $now);

            return new Tie($leads, $home, $maker === $caretaker, $since);
        }, $enrollment->passesIn(Phase::InForce, $now));
    }

    /** @return array{int, ?string} since when a grant has been in force without a break, and by whose hand */
    private static function making(Enrollment $enrollment, Grant $pass, int $now): array
    {
        $since = max($pass->givenAt, $pass->acceptedAt, min($now, $pass->window->from));
        $maker = $pass->door->bringsByItself() ? null : $pass->givenBy;
        $dates = $enrollment->mark(OverrideKind::Dates, $now);
        if (null !== $dates && !$pass->window->contains($now)) {
            $since = max($since, $dates->window->from, min($now, $pass->window->until));
            $maker = $dates->putBy;
        }
        $blocks = array_filter(
            $enrollment->marks,
            static fn(Override $mark): bool => OverrideKind::KeptOut === $mark->kind
        );
        foreach ([...$pass->marks, ...$blocks] as $mark) {
            $until = $mark->window->until;
            if ($until <= $now && $until > $mark->window->from && $until >= $since && $until > $pass->givenAt) {
                [$since, $maker] = [$until, $mark->endedBy];
            }
        }

        return [$since, $maker];
    }
}
