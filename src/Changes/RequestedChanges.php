<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\LineWanted;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Changes\Wanted;
use MintDoor\Core\Time\NotADay;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Core\Time\WindowOutOfOrder;
use MintDoor\Roles\Roles;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Problem;

/** What was asked for, as the core takes it: days become instants of the site's zone. */
final readonly class RequestedChanges
{
    public function __construct(private Roles $roles) {}

    /**
     * @param array<int, LineRequest> $requests of one site
     * @param array<int, bool>     $asks   those that wait for a yes of the person's division, by the same keys
     *
     * @return array<int, LineWanted> by the same keys
     *
     * @throws Problem of type `Invalid`
     */
    public function wanted(array $requests, array $asks, SiteAccess $access): array
    {
        $wanted = [];
        foreach ($requests as $key => $request) {
            foreach ([...null === $request->section ? [] : [$request->section], ...$request->sections] as $section) {
                if (!isset($access->site->sections[$section])) {
                    throw Problem::field(
                        "/lines/$key/section",
                        'no-such-section',
                        'changes.site-no-such-section',
                    );
                }
            }
            $what = $this->one($request, $asks[$key] ?? false, $access, $key);
            $wanted[$key] = new LineWanted($request->person, $what);
        }

        return $wanted;
    }

    /** @param int $index of the line, for what is said about its fields */
    private function one(LineRequest $request, bool $asks, SiteAccess $access, int $index): Wanted
    {
        $verb = Verb::from($request->verb);
        $at = "/lines/$index/";
        if ($request->clash && '' === trim($request->note ?? '')) {
            throw Problem::field($at.'note', 'why', 'changes.say-why-clash');
        }
        if (Verb::PutInSection === $verb && null === $request->section) {
            throw Problem::field($at.'section', 'choose', 'changes.choose-section');
        }
        $mayBeSuggested = Verb::LetIn === $verb && null === $request->role;
        if (
            \in_array($verb, [Verb::LetIn, Verb::ChangeRole], true)
            && !$mayBeSuggested
            && null === $this->roles->book()->find((string) $request->role)
        ) {
            throw Problem::field($at.'role', 'no-such-role', 'shared.no-such-role-any');
        }
        if (null === $request->fromDay && null === $request->untilDay && null === $request->days) {
            return new Wanted(
                $verb,
                $request->role,
                null,
                $request->section,
                $request->sure,
                $asks,
                $request->leadEnds,
                $request->sections,
                $request->clash,
            );
        }
        try {
            $window = new Window($this->from($request, $verb, $access), $this->until($request, $access));

            return new Wanted(
                $verb,
                $request->role,
                $window,
                $request->section,
                $request->sure,
                $asks,
                $request->leadEnds,
                clash: $request->clash,
            );
        } catch (WindowOutOfOrder) {
            throw Problem::field(
                $at.'untilDay',
                'before-start',
                null === $request->fromDay
                    ? 'changes.last-day-already-over'
                    : 'shared.last-day-before-first',
            );
        } catch (NotADay $none) {
            throw Problem::field(
                $at.($none->text === $request->fromDay ? 'fromDay' : 'untilDay'),
                'day',
                'changes.write-days-year-month',
            );
        }
    }

    private function from(LineRequest $request, Verb $verb, SiteAccess $access): int
    {
        if (null === $request->fromDay) {
            return Verb::ChangeDates === $verb ? Time::BEGINNING : $access->now;
        }
        $day = Time::startOfDay($request->fromDay, $access->zone());

        return Verb::ChangeDates === $verb ? $day : max($access->now, $day);
    }

    private function until(LineRequest $request, SiteAccess $access): int
    {
        $zone = $access->zone();
        if (null !== $request->untilDay) {
            return Time::untilDayIncluded($request->untilDay, $zone);
        }

        return null === $request->days
            ? Time::FOREVER
            : Time::startOfDay(
                (new \DateTimeImmutable('@'.$access->now))->setTimezone($zone)->format('Y-m-d'),
                $zone,
                $request->days,
            );
    }
}
