<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\NotADay;
use MintDoor\Core\Time\Time;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Row;
use MintDoor\Sites\SiteRow;

/** A site as one caller meets it at an instant: the site, and what they are in it. */
final readonly class SiteAccess
{
    /**
     * @param ?Segment    $segment    the caller's own enrollment there, now
     * @param ?string     $seenAs       through whose eyes it is looked at, where it is not one's own
     * @param ?Enrollment $enrollment theirs, then
     */
    public function __construct(
        public Site $site,
        public Row $row,
        public Caller $caller,
        public Standing $standing,
        public ?Segment $segment,
        public int $now,
        public ?string $seenAs = null,
        public ?Enrollment $enrollment = null,
    ) {}

    /**
     * A site as the platform itself changes it, for somebody who may do what it takes.
     *
     * @param Row $row with `SiteRow::COLUMNS`
     */
    public static function ofPlatform(Row $row, Caller $for, int $now): self
    {
        return new self(SiteRow::site($row), $row, $for, new Standing($for->id, true), null, $now);
    }

    /**
     * The same, with no more people than some sections have.
     *
     * @param ?list<string> $sections ids; null for all
     */
    public function within(?array $sections): self
    {
        $own = $this->standing->sections;
        if (null === $sections || $own === $sections) {
            return $this;
        }
        $kept = null === $own ? $sections : array_values(array_intersect($own, $sections));

        return new self(
            $this->site,
            $this->row,
            $this->caller,
            $this->standing->keptTo($kept),
            $this->segment,
            $this->now,
            $this->seenAs,
            $this->enrollment,
        );
    }

    /** The same site, where somebody else does something in it. */
    public function doneBy(Caller $caller): self
    {
        return new self(
            $this->site,
            $this->row,
            $caller,
            $this->standing,
            $this->segment,
            $this->now,
            $this->seenAs,
            $this->enrollment,
        );
    }

    public function may(Permission $permission): bool
    {
        return $this->standing->may($permission);
    }

    /** @return list<string> of all that they may here */
    public function permissions(): array
    {
        $all = array_filter(Permission::cases(), $this->may(...));

        return array_values(array_map(static fn(Permission $permission): string => $permission->value, $all));
    }

    /**
     * Whether the caller is told in which other sites somebody is: of people of the site's own division, of those of a
     * division they administer, and of themselves. Letting somebody in from outside tells nobody where else they are.
     *
     * @param string $person   id
     * @param string $division code of the person's
     */
    public function namesOtherSitesOf(string $person, string $division): bool
    {
        return $person === $this->caller->id
            || $division === $this->site->division
            || $this->caller->administers($division);
    }

    /** @throws Problem of type `NotAllowed` */
    public function require(Permission $permission, string $sentence): self
    {
        if (!$this->may($permission)) {
            throw Problem::notAllowed($sentence);
        }

        return $this;
    }

    public function zone(): \DateTimeZone
    {
        return new \DateTimeZone($this->row->string('time_zone'));
    }

    /**
     * The first instant of a day in the site's zone.
     *
     * @param string $pointer of the field it was typed in
     */
    public function startOf(string $day, string $pointer): int
    {
        return $this->dayOf(fn(): int => Time::startOfDay($day, $this->zone()), $pointer);
    }

    /** The first instant after a day in the site's zone. */
    public function endOf(string $day, string $pointer): int
    {
        return $this->dayOf(fn(): int => Time::untilDayIncluded($day, $this->zone()), $pointer);
    }

    /** @param callable(): int $read */
    private function dayOf(callable $read, string $pointer): int
    {
        try {
            return $read();
        } catch (NotADay) {
            throw Problem::field($pointer, 'day', 'shared.choose-day-between-years');
        }
    }
}
