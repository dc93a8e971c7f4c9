<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** A row of a plain SQL answer, read with types: what the database gives as text comes out as what it is. */
final readonly class Row
{
    /** @param array<string, mixed> $columns */
    public function __construct(private array $columns) {}

    /**
     * @param list<array<string, mixed>> $rows
     *
     * @return list<self>
     */
    public static function all(array $rows): array
    {
        return array_map(static fn(array $row): self => new self($row), $rows);
    }

    public function string(string $column): string
    {
        $value = $this->columns[$column] ?? '';

        return \is_string($value) ? $value : ($this->stringOrNull($column) ?? '');
    }

    public function stringOrNull(string $column): ?string
    {
        $value = $this->columns[$column] ?? null;

        return \is_scalar($value) ? (string) $value : null;
    }

    public function int(string $column): int
    {
        return (int) $this->string($column);
    }

    public function intOrNull(string $column): ?int
    {
        $value = $this->stringOrNull($column);

        return null === $value ? null : (int) $value;
    }

    public function bool(string $column): bool
    {
        return 0 !== $this->int($column);
    }

    /** @return non-empty-string */
    public function id(string $column): string
    {
        $id = $this->idOrNull($column);
        \assert(null !== $id && '' !== $id);

        return $id;
    }

    public function idOrNull(string $column): ?string
    {
        $binary = $this->stringOrNull($column);

        return null === $binary ? null : Id::text($binary);
    }

    public function instant(string $column): int
    {
        return Instant::fromSql($this->string($column));
    }

    public function instantOrNull(string $column): ?int
    {
        $value = $this->stringOrNull($column);

        return null === $value ? null : Instant::fromSql($value);
    }

    /** @return array<array-key, mixed> */
    public function json(string $column): array
    {
        $value = json_decode($this->string($column), true);

        return \is_array($value) ? $value : [];
    }

    /** @return list<string> */
    public function list(string $column): array
    {
        return array_values(
            array_filter(explode(' ', $this->string($column)), static fn(string $word): bool => '' !== $word),
        );
    }
}
