<?php

declare(strict_types=1);

namespace MintDoor\Items;

/** One of a site's people as they are read for its items. */
final readonly class ViewerRow
{
    /**
     * @param list<string> $sections ids
     * @param list<string> $roles    codes
     * @param list<string> $labels   names of those that matter
     * @param list<string> $groups   ids of those that matter
     */
    public function __construct(
        public string $name,
        public array $sections,
        public array $roles,
        public array $labels,
        public string $kind,
        public string $division,
        public ?int $level,
        public ?string $ownKind,
        public array $groups = [],
    ) {}
}
