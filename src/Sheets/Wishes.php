<?php

declare(strict_types=1);

namespace MintDoor\Sheets;

use MintDoor\Core\Sheets\Verb;
use MintDoor\Core\Sheets\Wanted;
use MintDoor\Core\Time\NotADay;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Core\Time\WindowOutOfOrder;
use MintDoor\Hall\Problem;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;

/** What was asked for, as the core takes it: days become instants of the site's zone. */
final readonly class Wishes
{
    public function __construct(private Roles $roles)
    {
    }

    /**
     * @param int $index of the line, for what is said about its fields
     *
     * @throws Problem of type `Invalid`
     */
    public function wanted(LineWish $wish, SiteAccess $access, int $index): Wanted
    {
        $verb = Verb::from($wish->verb);
        $at = "/lines/$index/";
        $mayBeSuggested = Verb::LetIn === $verb && null === $wish->role;
        if (\in_array($verb, [Verb::LetIn, Verb::ChangeRole], true) && !$mayBeSuggested && null === $this->roles->book()->find((string) $wish->role)) {
            throw Problem::field($at.'role', 'no-such-role', 'There is no such role any more. Choose another.');
        }
        if (null === $wish->fromDay && null === $wish->untilDay && null === $wish->days) {
            return new Wanted($verb, $wish->role, null, $wish->section, $wish->sure);
        }
        try {
            return new Wanted($verb, $wish->role, new Window($this->from($wish, $verb, $access), $this->until($wish, $access)), $wish->section, $wish->sure);
        } catch (WindowOutOfOrder) {
            throw Problem::field($at.'untilDay', 'before-start', null === $wish->fromDay ? 'The last day is already over. Choose a later one.' : 'The last day is before the first. Choose a later one.');
        } catch (NotADay $none) {
            throw Problem::field($at.($none->text === $wish->fromDay ? 'fromDay' : 'untilDay'), 'day', 'Write days as year-month-day, such as 2026-12-18.');
        }
    }

    private function from(LineWish $wish, Verb $verb, SiteAccess $access): int
    {
        if (null === $wish->fromDay) {
            return Verb::ChangeDates === $verb ? Time::BEGINNING : $access->now;
        }
        $day = Time::startOfDay($wish->fromDay, $access->zone());

        return Verb::ChangeDates === $verb ? $day : max($access->now, $day);
    }

    private function until(LineWish $wish, SiteAccess $access): int
    {
        $zone = $access->zone();
        if (null !== $wish->untilDay) {
            return Time::untilDayIncluded($wish->untilDay, $zone);
        }

        return null === $wish->days
            ? Time::FOREVER
            : Time::startOfDay((new \DateTimeImmutable('@'.$access->now))->setTimezone($zone)->format('Y-m-d'), $zone, $wish->days);
    }
}
