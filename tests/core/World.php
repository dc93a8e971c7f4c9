<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core;

use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\Effect;
use MintDoor\Core\Changes\LineComputer;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Changes\Wanted;
use MintDoor\Core\Ids;
use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\FirstRoles;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Leads;
use MintDoor\Core\Roster\LeadTimeline;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Core\Roster\SectionsHeld;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Sites\Section;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Core\Weeks\Commitments;
use MintDoor\Demo\Dice;

/** One site and its people in memory, changed through the core alone. The tests of laws play with it. */
final class World implements Ids
{
    public int $now = 1_000;

    /** @var array<string, Enrollment> */
    public array $enrollments = [];

    /** @var array<string, Commitments> by person */
    public array $weeks = [];

    private int $ids = 0;

    private readonly LineComputer $computer;

    /** @param array<string, Person> $people */
    public function __construct(public Site $site, public array $people, public readonly RoleBook $roles)
    {
        $this->computer = new LineComputer($this);
    }

    /**
     * Those that random histories name, and a retired one.
     *
     * @return array<string, Section> by id
     */
    public static function sections(?int $seats = null): array
    {
        return [
            'evening' => new Section('evening', $seats),
            'morning' => new Section('morning', $seats),
            'noon' => new Section('noon', $seats),
            'once' => new Section('once', $seats, retired: true),
        ];
    }

    public static function withPeople(Site $site, int $staff = 4, int $learners = 6): self
    {
        $people = [];
        for ($n = 0; $n < $staff; ++$n) {
            $people['staff'.$n] = new Person('staff'.$n, PersonKind::Staff, 'faculty');
        }
        for ($n = 0; $n < $learners; ++$n) {
            $people['learner'.$n] = new Person('learner'.$n, PersonKind::Learner, 'seniors', 7);
        }
        $world = new self($site, $people, FirstRoles::book(['juniors'], ['seniors']));
        $world->enrollments['staff0'] = new Enrollment([
            new Grant('first', 'staff', DoorKind::Staff, FirstRoles::LEAD, 0, new Window(0), 0),
        ]);

        return $world;
    }

    public function next(): string
    {
        return 'id'.++$this->ids;
    }

    public function enrollment(string $person): Enrollment
    {
        return $this->enrollments[$person] ?? new Enrollment();
    }

    public function context(string $person, string $actor = 'admin'): ChangeContext
    {
        $access = new Access($this->roles);
        $standing = $access->standing(
            $this->enrollment($actor)->timeline(),
            $this->people[$actor] ?? new Person($actor, PersonKind::Staff, 'faculty'),
            $this->now,
            'admin' === $actor,
            $this->site,
        );
        $leads = [];
        foreach ($this->enrollments as $other => $enrollment) {
            if ($other !== $person && (new Leads($this->roles))->counts($enrollment->timeline(), $this->now)) {
                $leads[] = new LeadTimeline($enrollment->timeline(), $this->people[$other]->accountClosedFrom);
            }
        }

        return new ChangeContext(
            $this->now,
            $this->site,
            $this->roles,
            $this->people[$person],
            $this->enrollment($person),
            $standing,
            $this->seats(),
            $leads,
            'staff',
            $this->sectionsHeld(),
            $this->weeks[$person] ?? null,
        );
    }

    public function compute(
        string $person,
        Verb $verb,
        ?string $role = null,
        ?Window $window = null,
        string $actor = 'admin',
        bool $sure = false,
        bool $asks = false,
        bool $leadEnds = false,
    ): ComputedChange {
        return $this->computer->compute(
            $this->context($person, $actor),
            new Wanted($verb, $role, $window, sure: $sure, asks: $asks, leadEnds: $leadEnds),
        );
    }

    /** Does something that it takes more to say, if it may be done. */
    public function does(string $person, Wanted $wanted, string $actor = 'admin'): ComputedChange
    {
        return $this->keep($person, $this->computer->compute($this->context($person, $actor), $wanted));
    }

    public function apply(
        string $person,
        Verb $verb,
        ?string $role = null,
        ?Window $window = null,
        string $actor = 'admin',
        bool $asks = false,
        bool $leadEnds = false,
    ): ComputedChange {
        $line = $this->compute($person, $verb, $role, $window, $actor, asks: $asks, leadEnds: $leadEnds);

        return $this->keep($person, $line);
    }

    /** @param list<Effect> $effects */
    public function undo(string $person, array $effects, string $actor = 'admin'): ComputedChange
    {
        return $this->keep($person, $this->computer->undo($this->context($person, $actor), $effects));
    }

    public function byCode(Role $one, Role $other): int
    {
        return $one->code <=> $other->code;
    }

    public function seats(): SeatsHeld
    {
        $held = SeatsHeld::none($this->now);
        foreach ($this->enrollments as $enrollment) {
            $held = $held->with(SeatsHeld::windows($enrollment->timeline(), $this->roles, $this->now));
        }

        return $held;
    }

    public function sectionsHeld(): SectionsHeld
    {
        $held = new SectionsHeld($this->now);
        foreach ($this->enrollments as $enrollment) {
            $held = $held->changed(new Timeline([]), $enrollment->timeline(), $this->roles);
        }

        return $held;
    }

    /** The most seats that are held at one instant from now on. */
    public function seatsHeld(): int
    {
        return $this->seats()->most();
    }

    public function leadsNow(): int
    {
        $leads = new Leads($this->roles);

        return \count(
            array_filter(
                $this->enrollments,
                function (Enrollment $enrollment, string $person) use ($leads): bool {
                    $segment = $enrollment->timeline()->at($this->now);

                    return null !== $segment
                        && $leads->leads($segment)
                        && $this->people[$person]->accountOpen($this->now);
                },
                \ARRAY_FILTER_USE_BOTH,
            ),
        );
    }

    /** An enrollment with grants and overrides of every kind, all within a short stretch of time so that they meet. */
    public static function randomEnrollment(Dice $dice, int $grants = 4): Enrollment
    {
        $instant = static fn(): int => $dice->between(0, 40);
        $window = static function () use ($dice, $instant): Window {
            $from = $dice->chance(20) ? Time::BEGINNING : $instant();

            return new Window($from, $dice->chance(30) ? Time::FOREVER : max($from, $instant()));
        };
        $roles = [FirstRoles::LEAD, 'co-tutor', FirstRoles::LEARNER, 'sit-in-observer'];
        $given = [];
        for ($n = 0; $n < $grants; ++$n) {
            $overrides = [];
            foreach ([OverrideKind::Withdrawn, OverrideKind::Undone] as $kind) {
                for ($k = $dice->below(3); $k > 0 && $dice->chance(OverrideKind::Withdrawn === $kind ? 70 : 30); --$k) {
                    $overrides[] = new Override("m$n$k".$kind->value, $kind, $window());
                }
            }
            $given[] = new Grant(
                "p$n",
                'staff',
                DoorKind::Staff,
                $dice->one($roles),
                $instant(),
                $window(),
                $dice->one([Time::BEGINNING, $instant(), Time::FOREVER]),
                $dice->one([null, null, 'evening', 'morning']),
                overrides: $overrides,
            );
        }
        $overrides = [];
        $kinds = [
            OverrideKind::Paused,
            OverrideKind::Blocked,
            OverrideKind::Role,
            OverrideKind::Dates,
            OverrideKind::Sections,
        ];
        foreach ($kinds as $kind) {
            if ($dice->chance(40)) {
                $overrides[] = new Override(
                    'e'.$kind->value,
                    $kind,
                    $window(),
                    OverrideKind::Role === $kind ? $dice->one($roles) : null,
                    dates: OverrideKind::Dates === $kind ? $window() : null,
                    sections: OverrideKind::Sections === $kind ? $dice->one(
                        [[], ['evening'], ['noon', 'evening']]
                    ) : null,
                );
            }
        }

        return new Enrollment($given, $overrides);
    }

    private function keep(string $person, ComputedChange $line): ComputedChange
    {
        $this->enrollments[$person] = $line->result;

        return $line;
    }
}
