<?php

declare(strict_types=1);

namespace MintDoor\Core\Doors;

use MintDoor\Core\People\Person;
use MintDoor\Core\People\PersonKind;
use MintDoor\Core\Roles\RoleBook;
use MintDoor\Core\Roster\Segment;
use MintDoor\Core\Roster\State;
use MintDoor\Core\Sites\Site;
use MintDoor\Core\Sites\SiteState;

/**
 * Says who may come through a door. First what is so about the door, then about the person, then about the
 * seats: whoever may not come in at all is never told to wait.
 */
final readonly class Doorman
{
    public function __construct(private RoleBook $roles) {}

    /**
     * @param ?string  $address   of theirs
     * @param ?Segment $here      what they are in the site now
     * @param int      $through   how many came through the door and hold its seats
     * @param ?int     $free      seats of the site that are free; null where it has no limit
     * @param int      $waiting   how many wait before them
     * @param bool     $kept      whether a seat is kept for them
     * @param bool     $removed   whether staff took them out and did not ask them back since: then they ask
     * @param bool     $backed    whether who keeps the door may still give by hand what it gives
     * @param ?int     $placed    seats that are free in the section people come into; null where it has no limit
     * @param int      $beside    how many others wait for a seat of that section
     */
    public function admit(
        DoorTerms $door,
        Site $site,
        Person $person,
        ?string $address,
        ?Segment $here,
        int $now,
        int $through,
        ?int $free,
        int $waiting = 0,
        bool $kept = false,
        bool $removed = false,
        bool $backed = true,
        ?int $placed = null,
        int $beside = 0,
    ): Admission {
        // Once more is as good as once, whatever became of the door since.
        if (null !== $here && $here->state->here() && State::Waiting !== $here->state) {
            return Admission::already();
        }

        return $this->refusal($door, $site, $person, $address, $here, $now)
            ?? match (true) {
                !$backed => Admission::no('unbacked', 'ask-lead'),
                $removed => Admission::approval(),
                $kept => Admission::in(),
                default => $this->seated($door, $through, $free, $waiting, null !== $placed && $placed <= $beside),
            };
    }

    /**
     * How far a door reaches among some people.
     *
     * @param iterable<Standers> $people
     *
     * @return array{could: int, here: int, blocked: int, not: int}
     */
    public function reach(DoorTerms $door, Site $site, iterable $people, int $now): array
    {
        $reach = ['could' => 0, 'here' => 0, 'blocked' => 0, 'not' => 0];
        foreach ($people as $some) {
            $admission = $this->admit($door, $site, $some->person, $some->address, $some->here, $now, 0, null);
            $reach[
                match (true) {
                    Passage::Already === $admission->passage => 'here',
                    'blocked' === $admission->code => 'blocked',
                    Passage::No === $admission->passage => 'not',
                    default => 'could',
                }
            ] += $some->many;
        }

        return $reach;
    }

    /**
     * Whether somebody may look in through a door without joining.
     *
     * @param bool    $anyone        whether it is for anybody at all, also without an account
     * @param ?string $division      theirs, by code; null for somebody without an account
     * @param bool    $administrator of the site's division
     */
    public function mayPreview(
        DoorTerms $door,
        bool $anyone,
        ?string $division,
        bool $administrator,
        int $now,
    ): bool {
        return DoorState::Open === DoorState::of($door->open, false, $door->hours, $now)
            && ($anyone
                || (null !== $division
                    && ([] === $door->divisions || $administrator || $this->roles->isOf($division, $door->divisions))));
    }

    private function refusal(
        DoorTerms $door,
        Site $site,
        Person $person,
        ?string $address,
        ?Segment $here,
        int $now,
    ): ?Admission {
        $holds = $this->roles->mayHold($door->role, $person, $site);
        $domain = null === $address ? null : strtolower(substr((string) strrchr($address, '@'), 1));

        return match (true) {
            State::Blocked === $here?->state => Admission::no('blocked', 'ask-lead'),
            !$door->open => Admission::no('shut', 'ask-lead'),
            SiteState::Closed === $site->stateAt($now) => Admission::no('site-closed', 'ask-lead'),
            $now < $door->hours->from => Admission::no('not-yet', 'come-back', ['from' => $door->hours->from]),
            $now >= $door->hours->until => Admission::no('over', 'ask-lead', ['until' => $door->hours->until]),
            !$person->accountOpen($now) => Admission::no('account-closed', 'ask-lead'),
            [] !== $door->divisions && !$this->roles->isOf($person->division, $door->divisions) => Admission::no(
                'wrong-division',
                'ask-lead',
            ),
            null !== $door->levels
                && PersonKind::Learner === $person->kind
                && (null === $person->level || !$door->levels->contains($person->level)) =>
                Admission::no('wrong-level', 'ask-lead', [
                    'lowest' => $door->levels->lowest,
                    'highest' => $door->levels->highest,
                ]),
            [] !== $door->domains && null === $domain => Admission::no('no-address', 'ask-lead'),
            [] !== $door->domains && !\in_array($domain, $door->domains, true) => Admission::no(
                'wrong-address',
                'ask-lead',
            ),
            !$holds->allowed => Admission::no($holds->code, 'ask-lead', $holds->values),
            default => null,
        };
    }

    private function seated(
        DoorTerms $door,
        int $through,
        ?int $free,
        int $waiting,
        bool $sectionFull,
    ): Admission {
        $takesSeat = true === $this->roles->find($door->role)?->takesSeat;
        // Whoever waits already comes first.
        $full =
            (null !== $door->seats && $door->seats - $through <= $waiting)
            || ($takesSeat && ($sectionFull || (null !== $free && $free <= $waiting)));

        return match (true) {
            !$full => $door->approval ? Admission::approval() : Admission::in(),
            default => $door->waiting ? Admission::line() : Admission::no('no-seat', 'ask-lead'),
        };
    }
}
