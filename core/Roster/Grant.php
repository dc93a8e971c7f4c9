<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/**
 * What one person got at one door of one site: a role, for a time. It never changes; what happens to it is put on it as
 * overrides.
 */
final readonly class Grant
{
    /**
     * @param int        $givenAt    before this instant it did not exist
     * @param int        $acceptedAt from when it counts as accepted, `Time::FOREVER` while unanswered
     * @param int        $since      when this person's way in through this door began, also if it was renewed since
     * @param list<Override> $overrides      of kinds `Withdrawn` and `Undone`
     * @param bool       $reserved   whether only administrators take it out or change it, as its door has it
     * @param ?string    $givenBy    id of who gave it; null where a door brought it by itself
     * @param 'seat'|'approval'|null $waitsFor what is missing while it is unanswered; null where it is something else
     */
    public function __construct(
        public string $id,
        public string $doorId,
        public DoorKind $door,
        public string $role,
        public int $givenAt,
        public Window $window,
        public int $acceptedAt = Time::BEGINNING,
        public ?string $section = null,
        public int $since = Time::FOREVER,
        public array $overrides = [],
        public bool $reserved = false,
        public ?string $givenBy = null,
        public ?string $waitsFor = null,
    ) {}

    /**
     * Its window while dates set by hand hold: it ends with them, and begins as it would unless they say when. What was
     * over before they were set stays over.
     *
     * @param Window $dates a beginning of `Time::BEGINNING` leaves its own as it is
     * @param int    $set   when such dates were first set
     */
    public function windowUnder(Window $dates, int $set): Window
    {
        if ($this->window->until <= $set) {
            return $this->window;
        }
        $from = Time::BEGINNING === $dates->from ? $this->window->from : $dates->from;

        return new Window(min($from, $dates->until), $dates->until);
    }

    /**
     * Whether whoever holds it may give it back without asking: what they fetched with a key, and what somebody gave
     * them who has nothing to do with them.
     *
     * @param bool $beyond whether they are of another division than the site
     */
    public function mayBeGivenBack(bool $beyond): bool
    {
        return DoorKind::Key === $this->door || ($beyond && DoorKind::Staff === $this->door);
    }

    /** @param ?Window $window in place of its own */
    public function phaseAt(int $instant, ?Window $window = null): Phase
    {
        $window ??= $this->window;
        if ($instant < $this->givenAt || $this->overridden(OverrideKind::Undone, $instant)) {
            return Phase::None;
        }

        return match (true) {
            $this->overridden(OverrideKind::Withdrawn, $instant) => Phase::Removed,
            $instant >= $window->until => Phase::Ended,
            $instant < $this->acceptedAt => Phase::Waiting,
            $instant < $window->from => Phase::Upcoming,
            default => Phase::InForce,
        };
    }

    /**
     * The instants at which the phase may change, in no order, repeats possible.
     *
     * @return list<int>
     */
    public function boundaries(): array
    {
        $boundaries = [$this->givenAt, $this->window->from, $this->window->until, $this->acceptedAt];
        foreach ($this->overrides as $override) {
            $boundaries[] = $override->window->from;
            $boundaries[] = $override->window->until;
        }

        return $boundaries;
    }

    /** When the role of the grant began for this person. */
    public function since(): int
    {
        return min($this->since, max($this->givenAt, $this->window->from));
    }

    /** The override of a kind that is on the grant at an instant. */
    public function override(OverrideKind $kind, int $instant): ?Override
    {
        foreach ($this->overrides as $override) {
            if ($kind === $override->kind && $override->window->contains($instant)) {
                return $override;
            }
        }

        return null;
    }

    /** @param list<Override> $overrides */
    public function withOverrides(array $overrides): self
    {
        return $this->with($this->window, $overrides);
    }

    /**
     * The same, for another time.
     *
     * @param ?string $role in place of its own
     */
    public function during(Window $window, ?string $role = null): self
    {
        return $this->with($window, $this->overrides, $role);
    }

    /** @param list<Override> $overrides */
    private function with(Window $window, array $overrides, ?string $role = null): self
    {
        return new self(
            $this->id,
            $this->doorId,
            $this->door,
            $role ?? $this->role,
            $this->givenAt,
            $window,
            $this->acceptedAt,
            $this->section,
            $this->since,
            $overrides,
            $this->reserved,
            $this->givenBy,
            $this->waitsFor,
        );
    }

    private function overridden(OverrideKind $kind, int $instant): bool
    {
        return [] !== $this->overrides && null !== $this->override($kind, $instant);
    }
}
