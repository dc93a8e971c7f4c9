<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** A site that was merged, and what undoing it needs. */
final readonly class SiteMergePart
{
    /**
     * @param string                $site      id
     * @param int                   $closesAt  before
     * @param list<string>          $doors     ids of those that went along
     * @param array<string, string> $sections  id of the one that was made by the id of its own
     * @param ?string               $otherwise id of the one that was made for those in none
     */
    public function __construct(
        public string $site,
        public int $closesAt,
        public array $doors,
        public array $sections,
        public ?string $otherwise,
    ) {}

    /** @param array<array-key, mixed> $data */
    public static function read(array $data): self
    {
        $strings = static fn(mixed $all): array => array_filter((array) $all, is_string(...));
        $sections = [];
        foreach ($strings($data['sections'] ?? []) as $own => $made) {
            $sections[(string) $own] = $made;
        }

        return new self(
            \is_string($data['site'] ?? null) ? $data['site'] : '',
            \is_int($data['closesAt'] ?? null) ? $data['closesAt'] : 0,
            array_values($strings($data['doors'] ?? [])),
            $sections,
            \is_string($data['otherwise'] ?? null) ? $data['otherwise'] : null,
        );
    }

    /** @return list<string> ids of the sections that were made */
    public function made(): array
    {
        return array_values(array_filter([...array_values($this->sections), $this->otherwise], is_string(...)));
    }
}
