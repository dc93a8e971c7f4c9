<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** A word, a number or a sign of a pasted line. */
final readonly class Piece
{
    /**
     * @param int          $from       byte of the line at which it begins
     * @param Gap          $gap        what stands before it
     * @param bool         $inside     whether it stands in brackets
     * @param int          $cell       of the row, from 0
     * @param list<string> $words      folded; none of a number or an address
     * @param string       $identifier as it is compared; empty for none
     * @param list<string> $spellings  other ways to write its only word in Latin letters
     * @param ?bool        $family     whether somebody said by hand that it is a family name, or a given one
     */
    public function __construct(
        public string $text,
        public int $from,
        public Gap $gap,
        public bool $inside,
        public int $cell,
        public PieceKind $kind,
        public array $words = [],
        public string $identifier = '',
        public array $spellings = [],
        public ?bool $family = null,
    ) {}

    public function until(): int
    {
        return $this->from + \strlen($this->text);
    }

    /** The same as something else. */
    public function as(PieceKind $kind, string $identifier = ''): self
    {
        return $this->with($this->from, $this->gap, $kind, $identifier, $this->family);
    }

    /** The same at another place. */
    public function at(int $from, Gap $gap): self
    {
        return $this->with($from, $gap, $this->kind, $this->identifier, $this->family);
    }

    /** Somebody said by hand that it is a family name, or a given one. */
    public function named(bool $family): self
    {
        return $this->with($this->from, $this->gap, PieceKind::Word, '', $family);
    }

    private function with(int $from, Gap $gap, PieceKind $kind, string $identifier, ?bool $family): self
    {
        return new self(
            $this->text,
            $from,
            $gap,
            $this->inside,
            $this->cell,
            $kind,
            PieceKind::Word === $kind ? $this->words : [],
            $identifier,
            $this->spellings,
            $family,
        );
    }

    /** Whether it is written with a capital letter, or in a script that has none. */
    public function capital(): bool
    {
        $first = mb_substr((string) preg_replace('/^[^\p{L}]+/u', '', $this->text), 0, 1);

        return '' !== $first && mb_strtolower($first) !== $first || 1 === preg_match('/^\p{Lo}/u', $first);
    }
}
