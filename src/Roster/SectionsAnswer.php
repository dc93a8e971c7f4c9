<?php

declare(strict_types=1);

namespace MintDoor\Roster;

/** Schema `Sections`. */
final readonly class SectionsAnswer
{
    /**
     * @param ?int               $none     learners who are in no section; null for who sees the people of some only
     * @param list<SectionShown> $sections in their order, those whose people the caller sees; retired ones last
     * @param int                $version  of the site, for `If-Match`
     * @param ?int               $entry    of the history, where something was changed
     */
    public function __construct(
        public bool $apart,
        public bool $several,
        public ?int $none,
        public array $sections,
        public int $version,
        public ?int $entry = null,
    ) {}
}
