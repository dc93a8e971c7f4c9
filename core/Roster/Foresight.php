<?php

declare(strict_types=1);

namespace MintDoor\Core\Roster;

use MintDoor\Core\Roles\RoleBook;

/** What will happen to somebody by itself if nobody does anything: read from their timeline. */
final readonly class Foresight
{
    public function __construct(private RoleBook $roles) {}

    /**
     * @return list<Foreseen> what happens after an instant and until another, that one included, in order
     */
    public function of(Timeline $timeline, int $now, int $until): array
    {
        $foreseen = [];
        $at = $timeline->nextChange($now);
        $before = $timeline->at($now);
        while (null !== $at && $at <= $until) {
            $after = $timeline->at($at);
            $what = self::what($before, $after);
            if (null !== $what) {
                [$had, $has] = [$this->holds($before), $this->holds($after)];
                $foreseen[] = new Foreseen($at, $what, $before, $after, $had && !$has, !$had && $has);
            }
            $before = $after;
            $at = $timeline->nextChange($at);
        }

        return $foreseen;
    }

    private static function what(?Segment $before, ?Segment $after): ?Happens
    {
        [$was, $is] = [$before?->state, $after?->state];
        $here = static fn(?State $state): bool => State::Current === $state || State::Paused === $state;

        return match (true) {
            $here($was) && !$here($is) => Happens::Ends,
            State::Paused === $was && State::Current === $is => Happens::Resumes,
            State::Current === $was && State::Paused === $is => Happens::Pauses,
            $here($is) && !$here($was) => Happens::Begins,
            State::Blocked === $was && State::Blocked !== $is => Happens::Unblocked,
            // Who was to begin, or waited, does not any more.
            true === $was?->here() && true !== $is?->here() => Happens::Ends,
            !$here($is) => null,
            $before?->roles !== $after?->roles => Happens::Role,
            $before?->sections !== $after?->sections => Happens::Section,
            default => null,
        };
    }

    private function holds(?Segment $segment): bool
    {
        return null !== $segment && SeatsHeld::isHeld($segment->state, $segment->takesSeat($this->roles));
    }
}
