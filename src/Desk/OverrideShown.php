<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** Schema `Override`: done by hand to the whole enrollment. */
final readonly class OverrideShown
{
    /**
     * @param ?string                               $from  instant
     * @param ?string                               $until instant
     * @param ?array{from: ?string, until: ?string} $dates instants
     * @param ?list<string>                         $sections ids
     * @param ?string                               $by    name
     * @param ?string                               $note  for those who let people in; null for others
     */
    public function __construct(
        public string $kind,
        public ?string $from,
        public ?string $until,
        public ?string $role,
        public ?array $dates,
        public ?array $sections,
        public ?string $by,
        public ?string $note,
    ) {}
}
