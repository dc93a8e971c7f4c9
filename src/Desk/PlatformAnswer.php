<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Platform\TermShown;

/** Schema `Platform`: what hardly changes and every page needs. */
final readonly class PlatformAnswer
{
    /**
     * @param ?string         $now          instant
     * @param list<DivisionShown> $divisions each followed by those below it
     * @param list<TermShown> $terms
     * @param int             $highestLevel that anybody has, or any site is for
     * @param list<SiteKindShown> $siteKinds
     * @param list<RoleShown> $roles
     * @param list<OwnKindShown> $kinds   of people, beside the four
     * @param list<DetailOffered> $details of people, that the caller may see of some
     * @param list<string>    $mayMakeIn    codes of the divisions in which the caller may make sites, the likely ones
     *                                      first
     */
    public function __construct(
        public ?string $now,
        public array $divisions,
        public array $terms,
        public int $highestLevel,
        public array $siteKinds,
        public array $roles,
        public array $mayMakeIn,
        public array $kinds,
        public array $details,
    ) {}
}
