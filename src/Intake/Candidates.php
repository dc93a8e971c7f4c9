<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\Intake\Candidate;
use MintDoor\Core\People\Person;
use MintDoor\Core\Roster\Segment;
use MintDoor\People\PersonRow;
use MintDoor\Roles\Roles;
use MintDoor\Roster\OptionsForAlike;
use MintDoor\Roster\SegmentRow;
use MintDoor\Roster\SiteAccess;
use MintDoor\Roster\StandingShown;

/**
 * Somebody who may be let in, as the contract has them: who they are, what they are here, and as what they may be let
 * in.
 */
final readonly class Candidates
{
    public function __construct(private Roles $roles) {}

    /** @param bool $asks whether letting them in waits for a yes of their division */
    public function shown(
        PersonSeen $seen,
        ?Segment $segment,
        SiteAccess $access,
        OptionsForAlike $options,
        bool $asks,
    ): CandidateShown {
        $person = PersonRow::person($seen->row);
        $book = $this->roles->book();

        return new CandidateShown(
            person: $seen->shown(),
            visibility: $seen->visibility->value,
            standing: StandingShown::of($segment, $book),
            suggested: $this->suggested($person, $segment, $access),
            options: $options->of($person),
            asks: $asks,
        );
    }

    /**
     * Of those a line may mean: without what else they could be let in as.
     *
     * @param ?SiteAccess $access null where it is about no site
     */
    public function meant(PersonSeen $seen, Candidate $candidate, ?SiteAccess $access, bool $wanted): CandidateMeant
    {
        $segment = null === $seen->row->stringOrNull('state') ? null : SegmentRow::segment($seen->row);

        return new CandidateMeant(
            person: $seen->shown(),
            visibility: $seen->visibility->value,
            standing: StandingShown::of($segment, $this->roles->book()),
            suggested: null === $access ? null : $this->suggested($candidate->known->person, $segment, $access),
            evidence: $candidate->evidence->value,
            remembered: $candidate->remembered,
            wanted: $wanted,
        );
    }

    private function suggested(Person $person, ?Segment $segment, SiteAccess $access): ?string
    {
        $book = $this->roles->book();
        $before = ($book->pick($segment->roles ?? [])[0] ?? null)?->code;

        return $book->suggest($access->standing, $person, $access->site, $before);
    }
}
