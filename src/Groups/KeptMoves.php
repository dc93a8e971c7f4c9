<?php

declare(strict_types=1);

namespace MintDoor\Groups;

use MintDoor\Core\Groups\Move;

/** The moves of a change list, as they are kept with it. */
final readonly class KeptMoves
{
    /**
     * @param string              $split id
     * @param array<string, Move> $moves by person, as they were made
     */
    public function __construct(public string $split, public array $moves) {}

    /** @return array<string, mixed> for `read()` */
    public function kept(): array
    {
        return [
            'split' => $this->split,
            'moves' => array_values(array_map(get_object_vars(...), $this->moves)),
        ];
    }

    /** @param ?array<string, mixed> $kept */
    public static function read(?array $kept): self
    {
        $text = static fn(mixed $value): ?string => \is_string($value) ? $value : null;
        $moves = [];
        foreach ((array) ($kept['moves'] ?? []) as $each) {
            $each = (array) $each;
            $person = (string) $text($each['person'] ?? null);
            $moves[$person] = new Move($person, $text($each['to'] ?? null), $text($each['from'] ?? null));
        }

        return new self((string) $text($kept['split'] ?? null), $moves);
    }
}
