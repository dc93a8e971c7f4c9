<?php

declare(strict_types=1);

namespace MintDoor\Cohorts;

/** Schema `CohortPersonOutcome`: what a connection does for somebody. */
final readonly class PersonOutcome
{
    /** What may become of somebody: first that for which something stands in the way. */
    public const ALL = [
        'removed',
        'blocked',
        'refused',
        'waits',
        'goes',
        'stays',
        'come',
        'later',
        'here',
        'same',
    ];

    /**
     * @param string  $what "come"; "here" by another way already; "later", on a day; "blocked"; "removed", by staff;
     *     "waits" for what `$why` says; "refused"; "goes"; "stays" by another way; "same", where nothing changes
     * @param ?string $why  a code
     * @param bool    $clash whether they would be in two places at once
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $what,
        public ?string $why,
        public bool $clash,
    ) {}
}
