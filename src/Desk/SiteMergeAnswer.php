<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\ReviewAnswer;
use MintDoor\Sites\SiteName;

/** Schema `SiteMerge`: what making sites one would do, or did. */
final readonly class SiteMergeAnswer
{
    /**
     * @param ?string               $own        name of the section the people of the site that stays come into; null
     *     where they stay in those they have
     * @param ?int                  $seats      of the site afterwards; null for no limit
     * @param bool                  $several    whether people may be in several sections afterwards
     * @param list<MergedSiteShown> $sites
     * @param list<PersonRoles>     $choices    people for whom somebody has to choose first
     * @param list<CarryNote>       $notes
     * @param ReviewAnswer          $review     of the people who come
     * @param ?string               $changeList id; null where nothing was done yet
     */
    public function __construct(
        public SiteName $into,
        public ?string $own,
        public ?int $seats,
        public bool $several,
        public array $sites,
        public array $choices,
        public array $notes,
        public ReviewAnswer $review,
        public bool $ready,
        public ?string $changeList,
    ) {}
}
