<?php

declare(strict_types=1);

namespace MintDoor\Plans;

/** Schema `OwnPlace`: where a plan put somebody, why, and what they need to check the lot. */
final readonly class OwnPlace
{
    /**
     * @param ?string                                $section id; null for nowhere
     * @param ?int                                   $wish    which of their wishes it is
     * @param list<string>                           $full    sections they wished more: others have all places
     * @param list<string>                           $cannot  sections they wished more, that they have something at
     *     the time of
     * @param list<string>                           $kept    sections they wished more, that conditions kept them from
     * @param list<array{section: string, lot: int}> $lots    theirs
     */
    public function __construct(
        public ?string $section,
        public string $because,
        public ?int $wish,
        public array $full,
        public array $cannot,
        public array $kept,
        public string $seed,
        public string $person,
        public array $lots,
    ) {}
}
