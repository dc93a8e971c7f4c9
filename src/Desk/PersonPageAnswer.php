<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\People\DetailShown;
use MintDoor\People\PersonShown;
use MintDoor\Shared\Somebody;

/** Schema `PersonPage`: all about somebody, for staff. */
final readonly class PersonPageAnswer
{
    /**
     * @param ?string            $gone       why they are in the directory no more
     * @param ?string            $into       id of whom they were merged into
     * @param list<string>       $labels
     * @param list<DetailShown>  $details    that the caller sees
     * @param bool               $looksAfter whether the caller may look after their account
     * @param ?string            $refusal    code of why not
     * @param ?string            $careFrom   instant from which on the caller may
     * @param bool               $administers whether the caller administers their division
     * @param list<NoteShown>    $notes
     * @param list<SiteOfPerson> $sites      those the caller runs or administers
     * @param int                $elsewhere  how many others there are
     */
    public function __construct(
        public PersonShown $person,
        public int $version,
        public ?string $gone,
        public ?string $into,
        public array $labels,
        public array $details,
        public ?AccountShown $account,
        public bool $looksAfter,
        public ?string $refusal,
        public ?string $careFrom,
        public bool $administers,
        public bool $mayClose,
        public array $notes,
        public array $sites,
        public int $elsewhere,
    ) {}
}
