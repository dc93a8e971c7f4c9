<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\ComputedChange;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Roster\State;
use MintDoor\Shared\Row;

/** One line of a change list, computed: whom it is about, what was asked, and what the core says. */
final readonly class ComputedLine
{
    /**
     * @param Row             $person   with `PersonRow::COLUMNS` and `gone`
     * @param string          $verb     what was asked for; "undo" for a line that takes another back
     * @param ?ComputedChange $change   null where it was set aside before it was computed
     * @param ?string         $note     of whoever asked for it
     * @param ?string         $undoes   id of the line it takes back
     * @param ?string         $undoesOf what that line had done, as its verb
     * @param bool            $outside  whether it lets in somebody beyond the caller's reach
     * @param bool            $asItWas  whether what it gives and puts on counts as by those who did so before
     */
    public function __construct(
        public Row $person,
        public string $verb,
        public ?ComputedChange $change,
        public ?string $note = null,
        public ?string $undoes = null,
        public ?string $undoesOf = null,
        public bool $outside = false,
        public bool $asItWas = false,
    ) {}

    public function personId(): string
    {
        return $this->person->id('person_id');
    }

    public function isReady(): bool
    {
        return Verdict::Ready === $this->change?->verdict;
    }

    /** Whether they wait for a yes after it, so that they cannot enter yet. */
    public function waitsAfter(): bool
    {
        return State::Waiting === $this->change?->after?->state;
    }
}
