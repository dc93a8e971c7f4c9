<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Doors\DoorKept;

/** What taking a change of term back needs of one site. */
final readonly class TermChangePart
{
    /**
     * @param string                          $site     id
     * @param ?string                         $made     id of the one that was made like it
     * @param array<string, int|string|null>  $before   facts of the site that became others
     * @param array<string, int|string|null>  $after
     * @param list<DoorKept>                  $doors
     * @param array<string, array{int, int, int, int}> $sections dates before and after, by id
     * @param array<array-key, mixed>         $hoursBefore as `CarriedHours::kept()`
     * @param array<array-key, mixed>         $hoursAfter
     * @param ?string                         $lead     id of whoever became the lead of the new site by making it
     */
    public function __construct(
        public string $site,
        public ?string $made = null,
        public array $before = [],
        public array $after = [],
        public array $doors = [],
        public array $sections = [],
        public array $hoursBefore = [],
        public array $hoursAfter = [],
        public ?string $lead = null,
    ) {}

    /** @param array<array-key, mixed> $kept of which `json()` made it */
    public static function read(array $kept): self
    {
        $text = static fn(string $name): ?string => \is_string($kept[$name] ?? null) ? $kept[$name] : null;
        $facts = static fn(string $name): array => array_filter(
            (array) ($kept[$name] ?? []),
            static fn(mixed $value): bool => null === $value || \is_int($value) || \is_string($value),
        );
        $sections = [];
        foreach ((array) ($kept['sections'] ?? []) as $id => $dates) {
            $dates = array_values(array_filter((array) $dates, is_int(...)));
            if (4 === \count($dates)) {
                $sections[(string) $id] = [$dates[0], $dates[1], $dates[2], $dates[3]];
            }
        }

        return new self(
            (string) $text('site'),
            $text('made'),
            $facts('before'),
            $facts('after'),
            DoorKept::read($kept['doors'] ?? []),
            $sections,
            (array) ($kept['hoursBefore'] ?? []),
            (array) ($kept['hoursAfter'] ?? []),
            $text('lead'),
        );
    }

    /** @return array<string, mixed> */
    public function json(): array
    {
        return ['doors' => array_map(get_object_vars(...), $this->doors)] + get_object_vars($this);
    }
}
