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
     */
    public function __construct(
        public int $number,
        public string $text,
        public array $identifiers,
        public array $words,
        public bool $person,
    ) {
    }
}
