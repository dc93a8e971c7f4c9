<?php

declare(strict_types=1);

namespace MintDoor\Core\Accounts;

use MintDoor\Core\Changes\Verb;
use MintDoor\Core\Changes\Wanted;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;

/**
 * What it takes in a site to make one person of two: what the one who goes has there, the one who stays gets, and the
 * one who goes is removed. Both there in different roles is for somebody to settle.
 */
final readonly class Merging
{
    /**
     * @param list<MergeStep>         $steps    in order
     * @param ?non-empty-list<string> $between  roles somebody has to choose from
     * @param list<string>            $cautions "blocks", "pause-stays-behind"
     */
    private function __construct(public array $steps, public ?array $between = null, public array $cautions = []) {}

    /** @param ?string $role somebody chose where both are there in different ones */
    public static function inSite(Timeline $stays, Timeline $goes, int $now, RoleBook $book, ?string $role = null): self
    {
        $gone = $goes->at($now);
        $kept = $stays->at($now);
        $isHere = static fn(?Segment $segment): bool => null !== $segment && $segment->state->here();
        if (State::Blocked === $gone?->state) {
            return State::Blocked === $kept?->state
                ? new self([])
                : new self([new MergeStep(true, new Wanted(Verb::Block))], cautions: ['blocks']);
        }
        if (null === $gone || !$isHere($gone)) {
            return new self([]);
        }
        $out = new MergeStep(false, new Wanted(Verb::Remove));
        $cautions = State::Paused === $gone->state ? ['pause-stays-behind'] : [];
        $theirs = self::role($gone, $book);
        if (State::Blocked === $kept?->state) {
            return new self([$out], cautions: ['blocks']);
        }
        if (null === $kept || !$isHere($kept)) {
            $from = State::Upcoming === $gone->state ? max($now, $gone->window->until) : $now;
            $until = $goes->holdsUntil($now, $isHere);

            return new self(
                [
                    new MergeStep(
                        true,
                        new Wanted(
                            Verb::LetIn,
                            $theirs,
                            $from > $now || $until < Time::FOREVER ? new Window($from, max($from + 1, $until)) : null,
                            sure: true,
                        ),
                    ),
                    $out,
                ],
                cautions: $cautions,
            );
        }
        $own = self::role($kept, $book);
        if ($own === $theirs) {
            return new self([$out], cautions: $cautions);
        }
        if (!\in_array($role, [$own, $theirs], true)) {
            return new self([], [$own, $theirs]);
        }

        return new self(
            $role === $own ? [$out] : [new MergeStep(true, new Wanted(Verb::ChangeRole, $theirs, sure: true)), $out],
            cautions: $cautions,
        );
    }

    /** The highest of the roles of a stretch. */
    private static function role(Segment $segment, RoleBook $book): string
    {
        return $book->pick($segment->roles)[0]->code ?? '';
    }
}
