<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Roster\SectionNamed;
use MintDoor\Roster\StandingShown;
use MintDoor\Shared\FactsFirst;
use MintDoor\Sites\SiteFacts;

/** Schema `Site`: a site with what the caller is and may there. */
final readonly class SiteAnswer implements \JsonSerializable
{
    use FactsFirst;

    /**
     * @param int            $learners      seats held
     * @param list<SectionNamed> $sections those whose people the caller sees, in their order, retired ones last
     * @param bool $apart whether sections do not see one another, as `several` whether learners may be in several
     * @param bool $seesAll whether the caller sees the people of all sections
     * @param bool           $administrator whether the caller administers the site's division
     * @param list<string>   $may           permissions
     * @param ?SeenAsShown   $seenAs        as whom it is shown, where not as the caller
     * @param ?int           $entry         sequence number of the history entry that was just written
     */
    public function __construct(
        public SiteFacts $facts,
        public ?int $seats,
        public int $learners,
        public int $staff,
        public int $leadLimit,
        public array $sections,
        public bool $apart,
        public bool $several,
        public bool $seesAll,
        public int $version,
        public ?StandingShown $standing,
        public bool $administrator,
        public array $may,
        public ?SeenAsShown $seenAs,
        public ?int $entry,
    ) {}
}
