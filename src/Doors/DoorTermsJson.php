<?php

declare(strict_types=1);

namespace MintDoor\Doors;

use MintDoor\Core\Doors\DoorTerms;
use MintDoor\Core\Doors\QuietRule;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Sites\LevelBand;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Shared\Row;

/** The terms of a door as its row keeps them, read with types. */
final readonly class DoorTermsJson
{
    /** @param array<array-key, mixed> $terms */
    private function __construct(
        private array $terms,
        public Window $hours,
        public bool $open,
        public DoorKind $kind,
    ) {}

    /** @param Row $door with `terms`, `from_at`, `until_at`, `state`, `kind` */
    public static function of(Row $door): self
    {
        return self::named($door, '');
    }

    /** @param Row $row with the same, each name begun with `door_` */
    public static function beside(Row $row): self
    {
        return self::named($row, 'door_');
    }

    private static function named(Row $row, string $prefix): self
    {
        return new self(
            $row->json($prefix.'terms'),
            new Window($row->instant($prefix.'from_at'), $row->instant($prefix.'until_at')),
            'open' === $row->string($prefix.'state'),
            DoorKind::from($row->string($prefix.'kind')),
        );
    }

    /** @param array<string, mixed> $terms */
    public static function planned(array $terms, Window $hours, DoorKind $kind): self
    {
        return new self($terms, $hours, true, $kind);
    }

    public function terms(): DoorTerms
    {
        $lowest = $this->number('lowest');
        $highest = $this->number('highest');

        return new DoorTerms(
            $this->text('role'),
            $this->open,
            $this->is('approval'),
            $this->hours,
            $this->number('seats'),
            $this->texts('divisions'),
            null === $lowest || null === $highest ? null : new LevelBand($lowest, $highest),
            $this->texts('domains'),
            $this->is('waiting'),
        );
    }

    public function quiet(): QuietRule
    {
        return new QuietRule(
            $this->number('quietDays'),
            $this->number('quietMeetings'),
            array_values(array_filter((array) ($this->terms['meets'] ?? []), is_int(...))),
        );
    }

    /** Until when somebody who comes in stays. */
    public function stays(int $termEnds): int
    {
        return match ($this->text('stay')) {
            'term' => $termEnds,
            'day' => $this->number('stayUntil') ?? Time::FOREVER,
            default => Time::FOREVER,
        };
    }

    public function text(string $field): string
    {
        return \is_string($this->terms[$field] ?? null) ? $this->terms[$field] : '';
    }

    public function textOrNull(string $field): ?string
    {
        return '' === $this->text($field) ? null : $this->text($field);
    }

    public function is(string $field): bool
    {
        return true === ($this->terms[$field] ?? null);
    }

    public function number(string $field): ?int
    {
        return \is_int($this->terms[$field] ?? null) ? $this->terms[$field] : null;
    }

    /** @return list<string> */
    public function texts(string $field): array
    {
        return array_values(array_filter((array) ($this->terms[$field] ?? []), is_string(...)));
    }

    /** @return list<int> */
    public function numbers(string $field): array
    {
        return array_values(array_filter((array) ($this->terms[$field] ?? []), is_int(...)));
    }
}
