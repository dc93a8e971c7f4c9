<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Roster\SectionNamed;
use MintDoor\Shared\FactsFirst;

/** Schema `ChangeList`: one with what was worked on, and lines from a position on. */
final readonly class ChangeListAnswer implements \JsonSerializable
{
    use FactsFirst;

    /**
     * @param \stdClass       $work  the draft as the interface kept it
     * @param list<ListedLine> $lines
     * @param list<SectionNamed> $sections those that these lines are about
     * @param ?int            $next  position after which the next lines begin
     */
    public function __construct(
        public ChangeListShown $facts,
        public \stdClass $work,
        public array $lines,
        public array $sections,
        public ?int $next,
    ) {}
}
