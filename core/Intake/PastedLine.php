<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** One line of what somebody pasted, taken apart. A line with several identifiers and no name is several. */
final readonly class PastedLine
{
    /**
     * @param int          $number      of the line in the text, from 1; several may have come from one
     * @param string       $text        as it was pasted, trimmed
     * @param list<string> $identifiers numbers, logins and addresses, as they are compared
     * @param list<string> $words       folded words of the name, in order
     * @param bool         $person      whether somebody may be meant; headings, greetings and sums are nobody
     * @param list<int>    $levels      the row says
     * @param list<string> $divisions   codes of those the row says
     * @param bool         $unread      whether something stands on it that was not understood, such as a small number
     * @param list<string> $sections    ids of the site's sections that the row says
     */
    public function __construct(
        public int $number,
        public string $text,
        public array $identifiers,
        public array $words,
        public bool $person,
        public array $levels = [],
        public array $divisions = [],
        public bool $unread = false,
        public array $sections = [],
    ) {}

    /** The same line, at another place. */
    public function numbered(int $number): self
    {
        return new self(
            $number,
            $this->text,
            $this->identifiers,
            $this->words,
            $this->person,
            $this->levels,
            $this->divisions,
            $this->unread,
            $this->sections,
        );
    }

    /** What is remembered of a line: the same words and identifiers, however they were written. */
    public function gist(): string
    {
        return substr(implode(' ', [...$this->identifiers, ...$this->words]), 0, 120);
    }
}
