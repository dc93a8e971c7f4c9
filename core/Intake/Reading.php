<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** What a line was taken for. */
final readonly class Reading
{
    /**
     * @param list<Candidate> $candidates the one it means, or those it may mean, the likeliest first
     * @param ?string         $mistyped   the number format as which it has a wrong digit
     * @param ?Evidence       $decided    what told namesakes apart
     * @param ?Doubt          $doubt      why it is asked about, though it names somebody
     * @param ?int            $repeats    number of the line that means the same person
     */
    public function __construct(
        public PastedLine $line,
        public Outcome $outcome,
        public array $candidates = [],
        public ?string $mistyped = null,
        public ?Evidence $decided = null,
        public ?int $repeats = null,
        public ?Doubt $doubt = null,
    ) {}

    /**
     * Numbers and addresses that stand beside the name of whom the line means, and are not theirs.
     *
     * @return list<string> as they were pasted
     */
    public function notTheirs(): array
    {
        if (!\in_array($this->outcome, [Outcome::Match, Outcome::Repeat], true)) {
            return [];
        }
        $strange = $this->candidates[0]->known->lacks($this->line, PieceKind::Number, PieceKind::Address);

        // One that was written in groups is more than its first.
        return array_map(
            static fn(Piece $each): string => mb_strlen($each->text) < mb_strlen($each->identifier)
                ? $each->identifier
                : $each->text,
            $strange,
        );
    }
}
