<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

use MintDoor\Core\Weeks\Meeting;

/** What would be otherwise: more places or fewer, another hour, a section more. */
final readonly class WhatIf
{
    /** What the section is called that is not there yet. */
    public const MORE = 'more';

    /**
     * @param array<string, ?int> $places of sections that would take more or fewer, by id; null for no limit
     * @param list<string>        $hours  sections that would meet when nobody has anything else
     * @param ?int                $more   places of a further section that suits everybody; null for none
     * @param array<string, list<Meeting>> $moved meetings of sections that would meet at another hour, by id; what
     *     candidates cannot is told with them
     */
    public function __construct(
        public array $places = [],
        public array $hours = [],
        public ?int $more = null,
        public array $moved = [],
    ) {}

    /**
     * @param list<Candidate>     $candidates
     * @param array<string, ?int> $places     by section
     */
    public function question(
        array $candidates,
        array $places,
        Moves $moves,
        Conditions $conditions = new Conditions(),
    ): Question {
        $others = array_map(
            fn(Candidate $one): Candidate => new Candidate(
                $one->id,
                $one->at,
                $one->wishes,
                array_values(array_diff($one->cannot, $this->hours)),
                $one->stays,
            ),
            $candidates,
        );
        $changed = array_replace($places, array_intersect_key($this->places, $places));

        null === $this->more || ($changed[self::MORE] = $this->more);

        return Question::of($others, $changed, $moves, $conditions);
    }
}
