<?php

declare(strict_types=1);

namespace MintDoor\Intake;

use MintDoor\Core\Intake\Mark;

/** Schema `PastedLine`: whom a line means, or may mean. */
final readonly class LineRead
{
    /**
     * @param int                  $number     of the line in the text; several may come from one
     * @param string               $gist       its words and identifiers, as what was settled is remembered by
     * @param ?string              $mistyped   the number format as which it has a wrong digit
     * @param ?string              $decided    what told namesakes apart
     * @param ?int                 $repeats    number of the line that means the same person
     * @param list<CandidateMeant> $candidates the likeliest first
     * @param ?string              $doubt      why it is asked about, though it names somebody
     * @param list<string>         $notTheirs  numbers and addresses that are not of whom it means
     * @param list<Mark>           $marks      the text in pieces, each with what it was taken for
     * @param list<string>         $sections   ids of the sections that the row says
     */
    public function __construct(
        public int $number,
        public string $text,
        public string $gist,
        public string $outcome,
        public ?string $mistyped,
        public ?string $decided,
        public ?int $repeats,
        public array $candidates,
        public ?string $doubt,
        public array $notTheirs,
        public array $marks,
        public array $sections,
    ) {}
}
