<?php

declare(strict_types=1);

namespace MintDoor\Roster;

use MintDoor\People\DetailNarrowing;
use MintDoor\Shared\Fragment;

/** Which rows of a roster are wanted, as far as whoever asks may ask for it. Null and empty ask for nothing. */
final readonly class RosterCriteria
{
    /**
     * @param string                 $site      id
     * @param int                    $at        the instant at which it is looked at
     * @param non-empty-list<string> $states
     * @param bool                   $listed    whether only those who show
     * @param ?string                $section   id; nothing for who is in none
     * @param ?string                $group     id; of a way of dividing people behind "none-", for who is in none
     * @param ?string                $door      a kind of door, or the id of one
     * @param ?int                   $unseen    not seen since
     * @param ?int                   $ends      whose stretch ends by then
     * @param ?int                   $since     who came then or later
     * @param list<string>           $tokens    folded words of what was typed
     * @param bool                   $byTerms   whether numbers and logins are among what they are found by
     * @param ?list<DetailNarrowing> $details   null for what nobody has
     * @param list<string>           $divisions codes of those whose people's numbers may be known
     * @param list<string>           $sections  ids of the site's, in their order
     * @param ?Fragment              $seen      whom the caller sees, where that is not everybody
     * @param ?list<string>          $people    ids of those who are meant; null for all
     */
    public function __construct(
        public string $site,
        public int $at,
        public array $states,
        public bool $listed,
        public ?string $role = null,
        public ?int $level = null,
        public ?string $division = null,
        public ?string $section = null,
        public ?string $group = null,
        public ?string $door = null,
        public ?int $unseen = null,
        public ?int $ends = null,
        public ?int $since = null,
        public ?string $label = null,
        public array $tokens = [],
        public bool $byTerms = false,
        public array $divisions = [],
        public ?array $details = [],
        public array $sections = [],
        public ?Fragment $seen = null,
        public ?array $people = null,
    ) {}
}
