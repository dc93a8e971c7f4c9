<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\LineAnswer;
use MintDoor\People\DetailShown;
use MintDoor\People\PersonShown;
use MintDoor\Roster\ReasonShown;
use MintDoor\Roster\RoleOption;
use MintDoor\Roster\StandingShown;
use MintDoor\Roster\Stretch;

/** Schema `PersonCard`: all about somebody in one site. */
final readonly class PersonCardAnswer
{
    /**
     * @param bool                                      $page     whether the caller may open the page of all about them
     * @param ?string                                   $lastSeen instant
     * @param ?array{done: int, of: int, mean: ?int}    $work     pieces, and the mean of the marks, 0 to 100
     * @param list<string>                              $labels
     * @param list<DetailShown>                         $details  that the caller sees
     * @param list<string>                              $groups   names of those they are in, or are in again when back
     * @param ?string                                   $band     the rules of the role that hold for this person
     * @param list<WayIn>                               $grants
     * @param list<OverrideShown>                       $overrides
     * @param list<Stretch>                             $timeline
     * @param ?NextChange                               $nextChange null when nothing will change
     * @param list<RoleOption>                          $options
     * @param ?LineAnswer                               $remove    what removing would do, for who may
     * @param ?LineAnswer                               $bringBack what bringing back would do, for who may
     */
    public function __construct(
        public PersonShown $person,
        public bool $page,
        public ?StandingShown $standing,
        public ?string $lastSeen,
        public ?array $work,
        public array $labels,
        public array $details,
        public array $groups,
        public int $version,
        public ?string $band,
        public ReasonShown $reason,
        public array $grants,
        public array $overrides,
        public array $timeline,
        public ?NextChange $nextChange,
        public array $options,
        public ?LineAnswer $remove,
        public ?LineAnswer $bringBack,
    ) {}
}
