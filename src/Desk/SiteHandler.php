<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use MintDoor\Changes\ChangeHandler;
use MintDoor\Changes\ChangeRequest;
use MintDoor\Changes\LineRequest;
use MintDoor\Cohorts\Repository\CohortLinks;
use MintDoor\Core\Roster\Leads;
use MintDoor\Core\Sites\SiteState;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\People\Repository\Directory;
use MintDoor\Platform\Entity\Division;
use MintDoor\Platform\Entity\Term;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Platform\Repository\Terms;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Entity\Door;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\Repository\SiteDoors;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Locks;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;
use MintDoor\Sites\Entity\Site;
use MintDoor\Sites\Repository\Sites;

/** Makes sites and changes them. Runs inside a transaction. */
final readonly class SiteHandler
{
    public function __construct(
        private Sites $sites,
        private SiteDoors $doors,
        private Divisions $divisions,
        private Terms $terms,
        private Ids $ids,
        private PlatformClock $clock,
        private Roles $roles,
        private Enrollments $enrollments,
        private ChangeHandler $changeLists,
        private History $history,
        private Directory $directory,
        private Locks $locks,
        private CohortLinks $links,
    ) {}

    /**
     * A draft, with whoever makes it as its lead where they may be one.
     *
     * @param bool $asLead whether they are to be
     *
     * @return string its id
     */
    public function make(
        SiteRequest $request,
        Caller $caller,
        bool $asLead = true,
    ): string {
        if ('staff' !== $caller->kind && !$caller->isAdministrator()) {
            throw Problem::notAllowed('desk.only-staff-make-sites');
        }
        $division = $this->division($request, $caller, null);
        $term = $this->term($request, $division, null);
        $this->assertKind($request->kind, null);
        $this->assertSeats($request->seats);
        // Asked first, so that a change list of many sites goes on; whoever is quicker still wins by the unique key.
        if ($this->sites->isTaken($request->code)) {
            throw $this->taken();
        }
        $site = new Site(
            $this->ids->next(),
            $request->code,
            $request->title,
            $request->kind,
            $division,
            $term,
            $request->lowest,
            $request->highest,
            $request->seats,
            timeZone: $division->timeZone,
        );
        $this->sites->add($site);
        $this->doors->add(new Door($this->ids->next(), $site, 'staff'));
        $this->flush();
        $this->locks->made($site->id);
        $this->history->write($site->id, $caller, new Happening('site-made', ['title' => $site->title]));
        $row = $this->sites->withTerms([$site->id])[0];
        // Whoever makes a site is let in by the platform, not by themselves.
        $access = SiteAccess::ofPlatform($row, $caller, $this->clock->instant());
        if ($asLead && 'staff' === $caller->kind) {
            $this->changeLists->apply(
                $access,
                new ChangeRequest([new LineRequest($caller->id, 'let-in', $this->leadRole())])
            );
        }

        return $site->id;
    }

    /** Takes the making of a site back: it is not there for anybody any more, and its short code is free again. */
    public function takeBack(SiteAccess $access): void
    {
        $site = $this->site($access);
        $site->takenBack = true;
        $site->code = '~'.substr(str_replace('-', '', $site->id), -20);
        ++$site->version;
        $this->flush();
        $this->history->write($site->id, $access->caller, new Happening('site-taken-back', ['title' => $site->title]));
    }

    /** @return int the sequence number of its history entry, 0 when nothing changed */
    public function change(SiteAccess $access, SiteRequest $request): int
    {
        $site = $this->site($access);
        $division = $this->division($request, $access->caller, $access->site->division);
        $this->assertKind($request->kind, $site->kind);
        $term = $this->term($request, $division, $site->term?->code);
        $this->assertSeats($request->seats);
        $this->assertNotFewerThanHeld($site, $access, $request->seats);

        return $this->put($site, $access, 'site-changed', [
            'title' => $request->title,
            'code' => $request->code,
            'kind' => $request->kind,
            'divisionId' => $division->id,
            'termId' => $term?->id,
            'levelLowest' => $request->lowest,
            'levelHighest' => $request->highest,
            'seats' => $request->seats,
        ]);
    }

    /** @return int the sequence number of its history entry, 0 when nothing changed */
    public function live(SiteAccess $access, LifeRequest $request): int
    {
        $site = $this->site($access);
        $wanted = SiteState::from($request->state);
        if ($wanted === $access->site->stateAt($access->now) && SiteState::Draft !== $wanted && null === $request->on) {
            return 0;
        }
        $at = null === $request->on ? $access->now : $this->planned($request->on, $wanted, $access);
        $dates = match ($wanted) {
            SiteState::Draft => ['opensAt' => Time::FOREVER, 'closesAt' => Time::FOREVER],
            SiteState::Open => [
                'opensAt' => null === $request->on ? min($site->opensAt, $at) : $at,
                'closesAt' => $site->closesAt > $at ? $site->closesAt : Time::FOREVER,
            ],
            SiteState::Closed => ['opensAt' => $site->opensAt, 'closesAt' => $at],
        };
        if (SiteState::Closed === $wanted && null !== $request->on && $at <= $site->opensAt) {
            throw Problem::field('/on', 'before-opening', 'desk.before-site-opens-choose');
        }

        return $this->put($site, $access, 'site-'.$wanted->value, $dates);
    }

    /**
     * Has a site be in a term, from and to other instants.
     *
     * @return array{array<string, int|string|null>, array<string, int|string|null>} what became another: before, after
     */
    public function turn(SiteAccess $access, ?Term $term, int $opensAt, int $closesAt): array
    {
        $site = $this->site($access);
        $was = $site->kept();
        $this->put(
            $site,
            $access,
            'site-term',
            ['termId' => $term?->id, 'opensAt' => $opensAt, 'closesAt' => $closesAt],
        );
        $is = array_filter(
            $site->kept(),
            static fn(mixed $value, string $name): bool => $value !== $was[$name],
            \ARRAY_FILTER_USE_BOTH,
        );

        return [array_intersect_key($was, $is), $is];
    }

    /**
     * Has it be as before, unless it was changed since.
     *
     * @param array<string, int|string|null> $before as `turn()`
     * @param array<string, int|string|null> $after
     */
    public function turnBack(SiteAccess $access, array $before, array $after): bool
    {
        $site = $this->site($access);
        if ($after !== array_intersect_key($site->kept(), $after)) {
            return false;
        }
        $this->put($site, $access, 'undo', $before, ['of' => 'site-term']);

        return true;
    }

    /**
     * @param ?string $present code of the one it has
     *
     * @throws Problem where a site of a division cannot have the term
     */
    public function termOf(string $code, string $division, ?string $present = null): Term
    {
        $term = $this->terms->withCode($code);
        $of = $term?->division?->code;
        $fits = null === $of || $code === $present || $this->divisions->tree()->within($division, $of);

        return null !== $term && $fits
            ? $term
            : throw Problem::field('/term', 'unknown', 'desk.choose-term-list');
    }

    /** @return int the sequence number of its history entry, 0 when nothing changed */
    public function changeLine(SiteAccess $access, SiteChangesRequest $request): int
    {
        return match ($request->verb) {
            'open' => $this->live($access, new LifeRequest('open', $request->on)),
            'close' => $this->live($access, new LifeRequest('closed', $request->on)),
            'seats' => $this->reseat($access, $request->seats),
            default => $this->lead($access, (string) $request->person),
        };
    }

    private function reseat(SiteAccess $access, ?int $seats): int
    {
        $site = $this->site($access);
        $this->assertSeats($seats);
        $this->assertNotFewerThanHeld($site, $access, $seats);

        return $this->put($site, $access, 'site-changed', ['seats' => $seats]);
    }

    private function lead(SiteAccess $access, string $person): int
    {
        $here =
            true === $this->enrollments->of($access->site->id, $person)->timeline()->at($access->now)?->state->here();
        $verb = $here ? 'change-role' : 'let-in';
        $applied = $this->changeLists->apply(
            $access,
            new ChangeRequest([new LineRequest($person, $verb, $this->leadRole())]),
        );

        return $applied->lines[0]->stored->entry ?? 0;
    }

    /** The highest role that answers for a site. */
    public function leadRole(): string
    {
        foreach ($this->roles->book()->all() as $role) {
            if ($role->lead) {
                return $role->code;
            }
        }

        throw new \LogicException('There is always a role that leads.');
    }

    private function assertNotFewerThanHeld(Site $site, SiteAccess $access, ?int $seats): void
    {
        $held = $this->enrollments->seats($site->id, $access->now)->most();
        if (null !== $seats && $seats < $held && $seats !== $site->seats) {
            throw Problem::field('/seats', 'below-held', Said::with('desk.seats-held', n: $held));
        }
    }

    private function assertSeats(?int $seats): void
    {
        $most = $this->roles->limits()->seats;
        if (null !== $seats && $seats > $most) {
            throw Problem::field('/seats', 'above-limit', Said::with('desk.seats-most', n: $most));
        }
    }

    /** When something planned for a day happens: an opening at its beginning, a closing after it. */
    private function planned(string $day, SiteState $wanted, SiteAccess $access): int
    {
        $at = SiteState::Closed === $wanted ? $access->endOf($day, '/on') : $access->startOf($day, '/on');

        return $at > $access->now
            ? $at
            : throw Problem::field('/on', 'over', 'desk.over-already-choose-later');
    }

    /**
     * Puts a site back to what it was before an entry of its history, unless it was changed since.
     *
     * @param array<string, mixed> $data of the entry
     */
    public function undo(
        SiteAccess $access,
        string $code,
        array $data,
        int $entry,
    ): int {
        $site = $this->site($access);
        $before = (array) ($data['before'] ?? []);
        $now = $site->kept();
        foreach ((array) ($data['after'] ?? []) as $field => $value) {
            if (!\array_key_exists($field, $now) || ($now[$field] ?? null) !== $value) {
                throw new Problem(ProblemType::ChangedSince, 'desk.site-changed-again-after');
            }
        }
        $held = $this->enrollments->seats($site->id, $access->now)->most();
        if (isset($before['seats']) && \is_int($before['seats']) && $before['seats'] < $held) {
            throw new Problem(
                ProblemType::ChangedSince,
                Said::with('desk.seats-held-since', n: $held, before: $before['seats']),
            );
        }
        $sequence = $this->put($site, $access, 'undo', $before, ['of' => $code]);
        $this->history->undone($site->id, $entry, $sequence);

        return $sequence;
    }

    /**
     * @param array<array-key, mixed> $values
     * @param array<string, mixed>    $more
     */
    private function put(
        Site $site,
        SiteAccess $access,
        string $code,
        array $values,
        array $more = [],
    ): int {
        $before = $after = [];
        $now = $site->kept();
        foreach ($values as $field => $value) {
            if (\array_key_exists($field, $now) && $now[$field] !== $value) {
                $before[$field] = $now[$field];
                $after[$field] = $value;
            }
        }
        if ([] === $after) {
            return 0;
        }
        $this->sites->put($site, $after);
        $this->needsLead($site, $access);
        ++$site->version;
        $this->flush();
        if (\array_key_exists('termId', $after)) {
            $zone = new \DateTimeZone($site->timeZone);
            $ends = null === $site->term ? Time::FOREVER : Time::untilDayIncluded($site->term->endsOn, $zone);
            $this->links->inTerm($site->id, $ends, $access->site->termEnds, $access->now);
        }

        return $this->history->write($site->id, $access->caller, new Happening(
            $code,
            ['before' => $before, 'after' => $after, ...$more],
        ));
    }

    /** An open site has a lead, also one that is about to be opened. */
    private function needsLead(Site $site, SiteAccess $access): void
    {
        $at = max($access->now, $site->opensAt);
        if (Time::FOREVER <= $at || $site->closesAt <= $at) {
            return;
        }
        $gap = (new Leads($this->roles->book()))->firstGap(
            array_values($this->enrollments->leads($site->id, $access->now)),
            new Window($at, $at + 1),
        );
        if (null !== $gap) {
            throw new Problem(ProblemType::NeedsLead, 'desk.open-site-needs-lead');
        }
    }

    private function site(SiteAccess $access): Site
    {
        return $this->sites->find($access->site->id) ?? throw Problem::notFound('site');
    }

    /** A site keeps a term that is no longer one of its division until it gets another. */
    private function term(SiteRequest $request, Division $division, ?string $present): ?Term
    {
        if ('' === $request->term) {
            return null;
        }

        return $this->termOf($request->term, $division->code, $present);
    }

    /** A site keeps a kind that was given up until it gets another. */
    private function assertKind(string $kind, ?string $present): void
    {
        $known = array_column($this->roles->rules()->siteKinds, 'code');
        if ($kind !== $present && !\in_array($kind, $known, true)) {
            throw Problem::field('/kind', 'choice', 'desk.choose-what-kind-site');
        }
    }

    private function division(SiteRequest $request, Caller $caller, ?string $present): Division
    {
        $division = $this->divisions->chosen($request->division);
        if (null === $division || ($division->retired && $request->division !== $present)) {
            throw Problem::field('/division', 'unknown', 'desk.choose-division-list');
        }
        $reach = $this->directory->reachOf($caller);
        if (
            $request->division !== $present
            && !$reach->everything
            && !\in_array($request->division, $reach->divisions, true)
        ) {
            throw Problem::field('/division', 'out-of-reach', 'desk.not-run-anything-division');
        }

        return $division;
    }

    private function flush(): void
    {
        try {
            $this->sites->flush();
        } catch (UniqueConstraintViolationException) {
            throw $this->taken();
        }
    }

    private function taken(): Problem
    {
        return Problem::field('/code', 'taken', 'desk.another-site-short-code');
    }
}
