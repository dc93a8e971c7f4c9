<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

use MintDoor\Cohorts\Entity\CohortLink;
use MintDoor\Cohorts\Repository\LinkWorks;
use MintDoor\Core\Time\Time;
use MintDoor\Roster\SiteAccess;

/**
 * Looks at people for a connection, carries out what follows, and takes them off its list. Runs inside a transaction,
 * under the site's lock.
 */
final readonly class LinkWorker
{
    /** Those for whom there was no seat, or whom a law kept out, are tried again after so many seconds. */
    private const TRY_AGAIN = 300;

    public function __construct(private LinkLines $lines, private LinkWorks $work) {}

    /**
     * Does what is to be done. Those who would lose what they have by it, and to whose going nobody said yes, are left
     * as they are and wait.
     *
     * @param array<string, Due> $due by person
     *
     * @return int for how many something was done
     */
    public function look(CohortLink $link, array $due): int
    {
        $access = $this->lines->access($link);
        $outcomes = $this->lines->would($access, $link, $due);
        $held = [];
        foreach ($outcomes as $person => $outcome) {
            if ($link->isOn() && !$due[$person]->agreed && $outcome->takes()) {
                $held[$person] = $due[$person];
            }
        }
        $this->work->later($link->id, $held, Time::FOREVER, LinkWorks::HELD);
        $outcomes = array_diff_key($outcomes, $held);
        $this->carry($access, $link, $due, $outcomes);

        return \count(array_filter($outcomes, static fn(LinkOutcome $one): bool => $one->line->isReady()));
    }

    /**
     * @param array<string, Due>         $due      by person
     * @param array<string, LinkOutcome> $outcomes by person
     * @param bool                       $listed   whether what is done is found among change lists
     *
     * @return ?string id of the change list; null where nothing was done
     */
    public function carry(
        SiteAccess $access,
        CohortLink $link,
        array $due,
        array $outcomes,
        bool $listed = false,
    ): ?string {
        $done = $later = [];
        foreach ($outcomes as $person => $outcome) {
            $waits = $outcome->waitsFor();
            $again = null === $waits ? $outcome->step->again : $access->now + self::TRY_AGAIN;
            if (null === $again) {
                $done[$person] = $due[$person];
            } else {
                $later[$again.' '.$waits][$person] = $due[$person];
            }
        }
        $this->work->done($link->id, $done);
        foreach ($later as $when => $people) {
            [$at, $why] = explode(' ', (string) $when, 2);
            $this->work->later($link->id, $people, (int) $at, $why);
        }

        // Last: what follows from it may ask for the same people again.
        return $this->lines->store($access, $outcomes, $listed);
    }
}
