<?php

declare(strict_types=1);

namespace MintDoor\Plans;

use MintDoor\Shared\Somebody;

/** Schema `Planned`: where a plan puts somebody, and why. Sections by their ids. */
final readonly class PlannedShown
{
    /**
     * @param list<string> $now      sections they are in
     * @param ?string      $section  where they are put; null for nowhere
     * @param string       $because  what decided
     * @param ?int         $wish     which of their wishes it is
     * @param list<string> $full     sections they wished more: others have all places
     * @param list<string> $cannot   sections they wished more, at whose time they have something else
     * @param list<string> $onePlace for who is nowhere: where one place more would place them
     * @param list<string> $anHour   for who is nowhere: what another hour would make possible
     * @param list<string> $kept     sections they wished more, that have room: conditions keep them away
     */
    public function __construct(
        public Somebody $person,
        public array $now,
        public ?string $section,
        public string $because,
        public ?int $wish,
        public array $full,
        public array $cannot,
        public array $onePlace,
        public array $anHour,
        public array $kept,
    ) {}
}
