<?php

declare(strict_types=1);

namespace MintDoor\Changes;

/** Schema `ChangeList`: one with what was worked on, and lines from a position on. */
final readonly class ChangeListAnswer implements \JsonSerializable
{
    /**
     * @param \stdClass       $work  the draft as the interface kept it
     * @param list<ListedLine> $lines
     * @param ?int            $next  position after which the next lines begin
     */
    public function __construct(
        public ChangeListShown $facts,
        public \stdClass $work,
        public array $lines,
        public ?int $next,
    ) {}

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            ...get_object_vars($this->facts),
            'work' => $this->work,
            'lines' => $this->lines,
            'next' => $this->next,
        ];
    }
}
