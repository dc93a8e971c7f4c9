<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Authority;

use MintDoor\Core\Changes\ChangeContext;
use MintDoor\Core\Changes\ChangeHistory;
use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\Laws;
use MintDoor\Core\Changes\LineComputer;
use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Changes\Wanted;
use MintDoor\Core\Doors\Doorman;
use MintDoor\Core\Doors\DoorTerms;
use MintDoor\Core\Doors\Passage;
use MintDoor\Core\Ids;
use MintDoor\Core\People\Caretaker;
use MintDoor\Core\People\Person;
use MintDoor\Core\Roles\Permission;
use MintDoor\Core\Roles\Role;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roles\Standing;
use MintDoor\Core\Roster\Access;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Leads;
use MintDoor\Core\Roster\LeadTimeline;
use MintDoor\Core\Roster\SeatsHeld;
use MintDoor\Core\Roster\SectionsHeld;
use MintDoor\Core\Roster\Ties;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/**
 * Two sites and four people, and everything that some of them could try, through the core alone. What an act comes to
 * is a new world; one that is refused leads nowhere.
 */
final class SmallWorld implements Ids
{
    private int $ids = 0;

    private readonly LineComputer $computer;

    /** @var \WeakMap<Enrollment, Timeline> */
    private \WeakMap $timelines;

    /** @var array<string, array<string, array{?ComputedChange, ?string}>> what was worked out */
    private array $known = [];

    /** @var array<string, bool> who looks after whom */
    private array $cares = [];

    /** @var \WeakMap<Enrollment, array<int, list<string>>> permissions by instant; each is of one person in one site */
    private \WeakMap $permitted;

    /**
     * @param array<string, Site>   $sites
     * @param array<string, Person> $people
     * @param list<string>          $actors   who tries things
     * @param list<string>          $above    who must not be hurt by it
     * @param list<int>             $instants in order; the first is when it begins
     */
    public function __construct(
        public readonly array $sites,
        public readonly array $people,
        public readonly RoleBook $roles,
        public readonly array $actors,
        public readonly array $above,
        public readonly array $instants,
        Laws $laws = new Laws(),
        private readonly int $ageHours = 24,
    ) {
        $this->computer = new LineComputer($this, $laws);
        $this->timelines = new \WeakMap();
        $this->permitted = new \WeakMap();
    }

    public function next(): string
    {
        return 'id'.++$this->ids;
    }

    /**
     * Every act somebody may try, by its name, and the world after it; those that change nothing come to null.
     *
     * @return iterable<string, ?Play>
     */
    public function acts(Play $play): iterable
    {
        $next = array_values(array_filter($this->instants, static fn(int $instant): bool => $instant > $play->now));
        yield 'wait' => [] === $next ? null : $play->later($next[0]);
        foreach ($this->actors as $actor) {
            foreach (array_keys($this->sites) as $site) {
                $standing = $this->standing($play, $site, $actor);
                foreach (array_keys($this->people) as $person) {
                    foreach ($this->lines($play, $site, $person, $standing) as $name => [$line, $undoes]) {
                        yield "$actor: $name of $person in $site" => $this->after(
                            $play,
                            "$site $person",
                            $line,
                            $undoes,
                        );
                    }
                }
                foreach (array_keys($this->roles()) as $role) {
                    $keeps = $standing->may(Permission::KeepDoors);
                    yield "$actor: door for $role in $site" => $keeps ? $play->withDoor($site, $role, $actor) : null;
                }
                yield "$actor: answer in $site" => $this->answered($play, $site, $actor);
            }
            foreach ($play->doors as [$site, $role, $keeper]) {
                yield "$actor: through $keeper's door for $role" => $this->joined($play, $site, $role, $keeper, $actor);
            }
            yield "$actor: merge" => $this->merged($play, $actor);
        }
    }

    /** What is wrong with a world that came of another by acts of people without authority; null where nothing is. */
    public function wrong(Play $first, Play $play): ?string
    {
        foreach ($this->sites as $name => $site) {
            $people = [];
            foreach ($this->people as $id => $person) {
                $timeline = $this->timeline($play->enrollments["$name $id"]);
                $people[] = new LeadTimeline($timeline, $person->accountClosedFrom);
            }
            $gap = (new Leads($this->roles))->firstGap($people, new Window($play->now, $site->closesAt));
            if (null !== $gap) {
                return "$name has no lead at $gap";
            }
            foreach ([...$this->actors, ...$this->above] as $id) {
                foreach ([...$this->instants, Time::FOREVER - 1] as $instant) {
                    if ($instant < $play->now) {
                        continue;
                    }
                    $had = $this->permissions($first, $name, $id, $instant);
                    $has = $this->permissions($play, $name, $id, $instant);
                    if (\in_array($id, $this->actors, true) && [] !== array_diff($has, $had)) {
                        return "$id may more in $name at $instant";
                    }
                    if (\in_array($id, $this->above, true) && [] !== array_diff($had, $has)) {
                        return "$id may less in $name at $instant";
                    }
                }
            }
        }
        foreach ($this->actors as $actor) {
            foreach (array_keys($this->people) as $person) {
                $before = $first->later($play->now);
                if ($this->care($play, $actor, $person) && !$this->care($before, $actor, $person)) {
                    return "$actor looks after $person";
                }
            }
        }

        return null;
    }

    /** @return array<string, Wanted> */
    private function requests(): array
    {
        [$now, $soon, $later] = $this->instants;
        $windows = ['' => null, ' until soon' => new Window($now, $soon), ' from later' => new Window($later)];
        $ends = [' until soon' => new Window(Time::BEGINNING, $soon), ' for good' => new Window()];
        $requests = [];
        foreach (Verb::cases() as $verb) {
            $roles = \in_array($verb, [Verb::LetIn, Verb::ChangeRole], true) ? array_keys($this->roles()) : [''];
            $spans = match ($verb) {
                Verb::LetIn, Verb::Pause => $windows,
                Verb::ChangeDates => $ends,
                default => ['' => null],
            };
            foreach ($roles as $role) {
                foreach ($spans as $span => $window) {
                    $requests[trim("$verb->value $role").$span] = new Wanted(
                        $verb,
                        '' === $role ? null : $role,
                        $window,
                        leadEnds: true,
                    );
                }
            }
        }

        return $requests;
    }

    /** @return array<string, true> by code */
    private function roles(): array
    {
        return ['lead-tutor' => true, 'co-tutor' => true, 'learner' => true];
    }

    /**
     * What somebody may do to another in a site. Of worlds that are alike there it is worked out once.
     *
     * @return array<string, array{?ComputedChange, ?string}> by name, and which line it takes back
     */
    private function lines(Play $play, string $site, string $person, Standing $standing): array
    {
        $at = "$site $person";
        $who = [$standing->personId, array_map(static fn(Role $role): string => $role->code, $standing->roles)];
        $others = array_map(static fn(string $id): string => $play->keys["$site $id"], array_keys($this->people));
        $key = md5(serialize([$play->now, $at, $who, $others]), true);
        if (isset($this->known[$key])) {
            return $this->known[$key];
        }
        $context = $this->context($play, $site, $person, $standing);
        $ready = static fn(ComputedChange $line): ?ComputedChange => Verdict::Ready === $line->verdict ? $line : null;
        $lines = [];
        foreach ($this->requests() as $name => $wanted) {
            $lines[$name] = [$ready($this->computer->compute($context, $wanted)), null];
        }
        $history = new ChangeHistory($play->lines[$at] ?? []);
        foreach ($play->lines[$at] ?? [] as $index => $done) {
            if ($history->mayUndo($done->id) && $standing->may(Permission::LetIn)) {
                $lines["undo $index"] = [
                    $ready($this->computer->undo($context, $play->effects[$at][$index])),
                    $done->id,
                ];
            }
        }
        $lines['invite'] = [$this->invited($context), null];

        return $this->known[$key] = $lines;
    }

    private function invited(ChangeContext $context): ?ComputedChange
    {
        $verdict = $this->roles->mayGive('co-tutor', $context->actor, $context->person, $context->site);
        if (!$context->actor->may(Permission::KeepDoors) || !$verdict->allowed) {
            return null;
        }
        $window = new Window($context->now);
        $line = $this->computer->stand($context, 'letters', DoorKind::Invitation, 'co-tutor', $window, null);

        return Verdict::Ready === $line->verdict ? $line : null;
    }

    private function answered(Play $play, string $site, string $person): ?Play
    {
        foreach ($play->enrollments["$site $person"]->grants as $grant) {
            if ('letters' === $grant->doorId) {
                return $this->through(
                    $play,
                    $site,
                    $grant->role,
                    (string) $grant->givenBy,
                    $person,
                    DoorKind::Invitation,
                );
            }
        }

        return null;
    }

    private function joined(Play $play, string $site, string $role, string $keeper, string $person): ?Play
    {
        return $this->through($play, $site, $role, $keeper, $person, DoorKind::Key);
    }

    private function through(
        Play $play,
        string $site,
        string $role,
        string $keeper,
        string $person,
        DoorKind $kind,
    ): ?Play {
        $context = $this->context($play, $site, $person, new Standing($person, false));
        $keeps = $this->standing($play, $site, $keeper);
        $admission = (new Doorman($this->roles))->admit(
            new DoorTerms($role),
            $this->sites[$site],
            $this->people[$person],
            null,
            $this->timeline($context->enrollment)->at($play->now),
            $play->now,
            0,
            null,
            removed: DoorKind::Key === $kind && $context->enrollment->removedByStaff($play->now),
            backed: $this->roles->mayGive($role, $keeps, $this->people[$person], $this->sites[$site])->allowed,
        );
        $door = DoorKind::Key === $kind ? "$keeper's $role" : 'letters';

        return Passage::In !== $admission->passage
            ? null
            : $this->after(
                $play,
                "$site $person",
                $this->computer->comeIn($context, $door, $kind, $role, new Window($play->now), null),
            );
    }

    private function merged(Play $play, string $actor): ?Play
    {
        $caretaker = new Caretaker($actor, false, []);
        $people = array_values($this->people);
        $may = $caretaker->mayMerge($people[0], $people[1]);

        return $may ? $play->applied('s1 '.$actor, $play->enrollments['s1 '.$people[0]->id], []) : null;
    }

    private function after(Play $play, string $at, ?ComputedChange $line, ?string $undoes = null): ?Play
    {
        return Verdict::Ready === $line?->verdict ? $play->applied($at, $line->result, $line->effects, $undoes) : null;
    }

    private function standing(Play $play, string $site, string $person): Standing
    {
        return (new Access($this->roles))->standing(
            $this->timeline($play->enrollments["$site $person"]),
            $this->people[$person],
            $play->now,
            false,
            $this->sites[$site],
        );
    }

    private function context(Play $play, string $site, string $person, Standing $actor): ChangeContext
    {
        $leads = [];
        foreach ($this->people as $id => $other) {
            $timeline = $this->timeline($play->enrollments["$site $id"]);
            if ($id !== $person && (new Leads($this->roles))->counts($timeline, $play->now)) {
                $leads[] = new LeadTimeline($timeline, $other->accountClosedFrom);
            }
        }

        return new ChangeContext(
            $play->now,
            $this->sites[$site],
            $this->roles,
            $this->people[$person],
            $play->enrollments["$site $person"],
            $actor,
            SeatsHeld::none($play->now),
            $leads,
            'staff',
            new SectionsHeld($play->now),
        );
    }

    /** @return list<string> */
    private function permissions(Play $play, string $site, string $person, int $instant): array
    {
        $enrollment = $play->enrollments["$site $person"];
        $known = $this->permitted[$enrollment] ?? [];
        if (!isset($known[$instant])) {
            $standing = (new Access($this->roles))->standing(
                $this->timeline($enrollment),
                $this->people[$person],
                $instant,
                false,
                $this->sites[$site],
            );
            $known[$instant] = array_values(
                array_map(static fn(Permission $permission): string => $permission->value, $standing->permissions),
            );
            $this->permitted[$enrollment] = $known;
        }

        return $known[$instant];
    }

    private function care(Play $play, string $actor, string $person): bool
    {
        $key = $play->now.$actor.$person;
        foreach (array_keys($this->sites) as $site) {
            $key .= $play->keys["$site $actor"].$play->keys["$site $person"];
        }

        return $this->cares[$key] ??= $this->cared($play, $actor, $person);
    }

    private function cared(Play $play, string $actor, string $person): bool
    {
        $ties = [];
        foreach ($this->sites as $name => $site) {
            $standing = $this->standing($play, $name, $actor);
            if ($standing->may(Permission::LetIn)) {
                $leads = $standing->may(Permission::RunSite);
                $enrollment = $play->enrollments["$name $person"];
                $of = fn(string $who): array => Ties::of(
                    $enrollment,
                    $this->people[$person],
                    $site,
                    $who,
                    $leads,
                    $play->now,
                );
                $own = $of($actor);
                // What two do together nobody made alone; it is told to the person and found in the history.
                foreach (array_diff($this->actors, [$actor]) as $other) {
                    $own = array_filter($own, static fn(int $n): bool => !$of($other)[$n]->own, \ARRAY_FILTER_USE_KEY);
                }
                array_push($ties, ...array_values($own));
            }
        }
        $caretaker = new Caretaker($actor, false, [], $this->ageHours, $this->ageHours);

        return $caretaker->care($this->people[$person], false, false, $ties, $play->now)->allowed();
    }

    private function timeline(Enrollment $enrollment): Timeline
    {
        return $this->timelines[$enrollment] ??= $enrollment->timeline();
    }
}
