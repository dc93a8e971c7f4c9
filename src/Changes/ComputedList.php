<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Removal;
use MintDoor\Core\Changes\Summary;

/** A change list for the people of one site, computed: what each line would do, and what they come to. */
final readonly class ComputedList
{
    /**
     * @param array<int, ComputedLine> $lines
     * @param array<int, LineAnswer>   $answers by the same keys
     * @param ?Removal                 $removal where it removes a large share of the site
     */
    public function __construct(
        public array $lines,
        public array $answers,
        public Summary $summary,
        public ?Removal $removal,
    ) {}

    /** @return array<int, ComputedLine> */
    public function ready(): array
    {
        return array_filter($this->lines, static fn(ComputedLine $line): bool => $line->isReady());
    }

    public function looked(): ChangesAnswer
    {
        return new ChangesAnswer(null, $this->answers, $this->removal);
    }

    public function applied(?StoredChanges $stored): ChangesAnswer
    {
        $answers = [];
        foreach ($this->answers as $key => $answer) {
            $answers[$key] = $answer->applied($stored->lines[$key] ?? null);
        }

        return new ChangesAnswer($stored?->changeList, $answers, $this->removal);
    }
}
