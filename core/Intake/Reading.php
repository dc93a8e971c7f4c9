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
     * Numbers and addresses that stand beside the name of whom the line means, or may mean, and are not theirs.
     *
     * @return list<string> as they were pasted
     */
    public function notTheirs(): array
    {
        $strange = null;
        foreach ($this->candidates as $each) {
            $lacks = [];
            foreach ($each->known->lacks($this->line, PieceKind::Number, PieceKind::Address) as $piece) {
                // One that was written in groups is more than its first.
                $whole = mb_strlen($piece->text) < mb_strlen($piece->identifier);
                $lacks[$piece->identifier] = $whole ? $piece->identifier : $piece->text;
            }
            $strange = null === $strange ? $lacks : array_intersect_key($strange, $lacks);
        }

        return Outcome::Unknown === $this->outcome ? [] : array_values($strange ?? []);
    }
}
