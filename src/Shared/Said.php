<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** A sentence for people: its key in the catalogues of `translations/`, and what is filled in. Speech says it. */
final readonly class Said
{
    /** @param array<string, int|string|self> $values numbers, names, or sentences of their own, by placeholder */
    public function __construct(public string $key, public array $values = []) {}

    /** Example: `Said::with('desk.seats-most', most: 30)`. */
    public static function with(string $key, int|string|self ...$values): self
    {
        $named = [];
        foreach ($values as $name => $value) {
            $named[(string) $name] = $value;
        }

        return new self($key, $named);
    }

    public static function of(string|self $said): self
    {
        return $said instanceof self ? $said : new self($said);
    }
}
