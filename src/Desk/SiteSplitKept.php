<?php

declare(strict_types=1);

namespace MintDoor\Desk;

/** What undoing that sections were taken out needs. Written by the server alone, into `ChangeList::$undoData`. */
final readonly class SiteSplitKept
{
    /**
     * @param string                 $from       id of the site
     * @param string                 $made       id of the one that was made
     * @param array<string, ?string> $sections   id there by the id here
     * @param list<string>           $doors      ids of those that went along
     * @param ?int                   $seats      of the site before
     * @param ?int                   $seatsAfter and after
     * @param ?string                $lead       id of whoever became the lead of the new one by making it
     * @param array<array-key, mixed> $hoursBefore how the site met, as `CarriedHours::kept()`
     * @param array<array-key, mixed> $hoursAfter
     */
    public function __construct(
        public string $from,
        public string $made,
        public array $sections,
        public array $doors,
        public ?int $seats,
        public ?int $seatsAfter,
        public ?string $lead,
        public array $hoursBefore = [],
        public array $hoursAfter = [],
    ) {}

    /** @param array<string, mixed> $data as `json()` */
    public static function read(array $data): self
    {
        $text = static fn(string $name): ?string => \is_string($data[$name] ?? null) ? $data[$name] : null;
        $number = static fn(string $name): ?int => \is_int($data[$name] ?? null) ? $data[$name] : null;
        $sections = [];
        foreach ((array) ($data['sections'] ?? []) as $here => $there) {
            $sections[(string) $here] = \is_string($there) ? $there : null;
        }

        return new self(
            (string) $text('from'),
            (string) $text('made'),
            $sections,
            array_values(array_filter((array) ($data['doors'] ?? []), is_string(...))),
            $number('seats'),
            $number('seatsAfter'),
            $text('lead'),
            (array) ($data['hoursBefore'] ?? []),
            (array) ($data['hoursAfter'] ?? []),
        );
    }

    /** @return array<string, mixed> */
    public function json(): array
    {
        return get_object_vars($this);
    }
}
