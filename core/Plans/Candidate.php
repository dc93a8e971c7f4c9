<?php

declare(strict_types=1);

namespace MintDoor\Core\Plans;

/** Somebody of a site whose sections are planned, as they are before. */
final readonly class Candidate
{
    /**
     * @param ?string      $at     the section of the plan they are in
     * @param list<string> $wishes ids of sections, the first one first; no repeats
     * @param list<string> $cannot ids of sections they have something else at the time of
     * @param bool         $stays  whether they stay where they are, whoever else moves
     */
    public function __construct(
        public string $id,
        public ?string $at = null,
        public array $wishes = [],
        public array $cannot = [],
        public bool $stays = false,
    ) {}
}
