<?php

declare(strict_types=1);

namespace MintDoor\Core\Groups;

/** Somebody is to be in a group, or in none. */
final readonly class Move
{
    /**
     * @param ?string $to   id of the group; null for none
     * @param ?string $from where whoever asks for it saw them
     */
    public function __construct(public string $person, public ?string $to, public ?string $from) {}

    /** Takes it back. */
    public function back(): self
    {
        return new self($this->person, $this->from, $this->to);
    }
}
