<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Removal;

/** Schema `ChangeReview`: what a change list over several sites would do. */
final readonly class ReviewAnswer implements \JsonSerializable
{
    /**
     * @param list<ReviewedLine> $lines
     * @param list<ReviewedSite> $sites
     * @param array<string, int> $verdicts how many lines have each
     * @param int                $total    lines, of which those answered are the first
     */
    public function __construct(
        public array $lines,
        public array $sites,
        public array $verdicts,
        public ?Removal $removal,
        public int $total,
    ) {}

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'lines' => $this->lines,
            'sites' => $this->sites,
            'verdicts' => $this->verdicts,
            'removal' => ChangesAnswer::removal($this->removal),
            'total' => $this->total,
        ];
    }
}
