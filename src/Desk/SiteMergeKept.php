<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** What undoing a merging of sites needs. Written by the server alone, into `ChangeList::$undoData`. */
final readonly class SiteMergeKept
{
    /**
     * @param string                       $into   id of the site that stayed
     * @param ?string                      $own    id of the section that was made for its own people
     * @param list<SiteMergePart>          $parts
     * @param array<string, bool|int|null> $before of the site that stayed, by field
     * @param array<string, bool|int|null> $after
     * @param array<array-key, mixed> $hoursBefore how the site met, as `CarriedHours::kept()`
     * @param array<array-key, mixed> $hoursAfter
     */
    public function __construct(
        public string $into,
        public ?string $own,
        public array $parts,
        public array $before,
        public array $after,
        public array $hoursBefore = [],
        public array $hoursAfter = [],
    ) {}

    /** @param array<string, mixed> $data as `json()` */
    public static function read(array $data): self
    {
        return new self(
            \is_string($data['into'] ?? null) ? $data['into'] : '',
            \is_string($data['own'] ?? null) ? $data['own'] : null,
            array_values(
                array_map(
                    static fn(mixed $part): SiteMergePart => SiteMergePart::read((array) $part),
                    (array) ($data['parts'] ?? []),
                ),
            ),
            self::facts($data['before'] ?? null),
            self::facts($data['after'] ?? null),
            (array) ($data['hoursBefore'] ?? []),
            (array) ($data['hoursAfter'] ?? []),
        );
    }

    /** @return array<string, mixed> */
    public function json(): array
    {
        return [...get_object_vars($this), 'parts' => array_map(get_object_vars(...), $this->parts)];
    }

    /** @return list<string> ids of all sections that were made */
    public function sections(): array
    {
        $made = array_map(static fn(SiteMergePart $part): array => $part->made(), $this->parts);

        return array_values(array_filter([$this->own, ...array_merge(...$made)], is_string(...)));
    }

    /** @return array<string, bool|int|null> */
    private static function facts(mixed $kept): array
    {
        $facts = [];
        foreach ((array) $kept as $field => $value) {
            $facts[(string) $field] = \is_int($value) || \is_bool($value) ? $value : null;
        }

        return $facts;
    }
}
