<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Removal;

/** Schema `Review`: what a change list over several sites would do. */
final readonly class ReviewAnswer implements \JsonSerializable
{
    /**
     * @param list<array<string, mixed>> $lines    with their keys and sites
     * @param list<array<string, mixed>> $sites    what it comes to in each
     * @param array<string, int>         $verdicts how many lines have each
     * @param int                        $total    lines, of which those answered are the first
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
