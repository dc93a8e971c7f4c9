<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Shared\Somebody;

/** Schema `OwnGroups`: groups of which somebody chooses one, or chose. */
final readonly class OwnGroups
{
    /**
     * @param string         $split    id
     * @param Somebody       $site     id and title
     * @param bool           $chooses  whether they may choose now
     * @param bool           $founds   whether they may found one
     * @param ?string        $closesAt instant
     * @param ?string        $group    id of theirs
     * @param list<OwnGroup> $groups   those there are to be in
     */
    public function __construct(
        public string $split,
        public string $name,
        public Somebody $site,
        public string $timeZone,
        public bool $chooses,
        public bool $founds,
        public ?string $closesAt,
        public ?string $group,
        public array $groups,
    ) {}
}
