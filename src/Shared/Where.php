<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** The conditions of a statement by hand, with their values by name. */
final class Where
{
    /** @var list<string> */
    private array $conditions = [];

    /** @var array<string, mixed> */
    public array $values = [];

    /** @param array<string, mixed> $values by name, without the colon */
    public function and(string $condition, array $values = []): self
    {
        $this->conditions[] = $condition;
        $this->values = [...$this->values, ...$values];

        return $this;
    }

    /**
     * That rows come after a place in a list, in the order in which it is sorted.
     *
     * @param array<string, string> $columns whether each is sorted "ASC" or "DESC", the last one an id
     */
    public function after(array $columns, ?Cursor $cursor): self
    {
        if (null === $cursor) {
            return $this;
        }
        $last = \count($columns) - 1;
        // A list that is sorted by a column twice over has it in its place twice.
        foreach (\array_slice($cursor->values, -\count($columns)) as $n => $value) {
            $this->values["c$n"] = $n === $last ? Id::binary((string) $value) : $value;
        }

        return $this->and(Sql::after($columns));
    }

    /** Of which all hold. */
    public function sql(): string
    {
        return implode(' AND ', $this->conditions);
    }
}
