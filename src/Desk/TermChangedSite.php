<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Sites\SiteName;

/** Schema `TermChangedSite`: what a change of term comes to for one site. */
final readonly class TermChangedSite
{
    /**
     * @param SiteName           $site     that it is about
     * @param ?SiteName          $made     the new one; null where it goes on, or is not made yet
     * @param string             $title    of the site the next term is in
     * @param string             $code     of the same
     * @param ?string            $before   name of the old term; null for none
     * @param ?string            $opensAt  instant, of the site the next term is in; null for never
     * @param ?string            $closesAt the same
     * @param ?string            $oldCloses instant at which the old site closes, where a new one is made
     * @param array<string, int> $counts   how many, by each of `TermPeople::COUNTS`
     * @param list<string>       $doors    names of those that are renewed, made or shut
     * @param list<string>       $left     of those that are not the caller's to keep, and stay as they are
     * @param TermFirstDay       $firstDay who could enter on the first day of the new term
     */
    public function __construct(
        public SiteName $site,
        public ?SiteName $made,
        public string $title,
        public string $code,
        public ?string $before,
        public ?string $opensAt,
        public ?string $closesAt,
        public ?string $oldCloses,
        public string $timeZone,
        public array $counts,
        public array $doors,
        public array $left,
        public TermFirstDay $firstDay,
    ) {}
}
