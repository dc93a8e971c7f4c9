<?php

declare(strict_types=1);

namespace MintDoor\Groups;

/** A pasted line, and what it means in a split. */
final readonly class GroupLineRead
{
    /**
     * @param int          $number of the line in the text, from 1
     * @param list<string> $people ids of those it may mean who are divided; of one whom it means for sure that one
     * @param list<string> $groups ids of those it names, or the heading above it does
     */
    public function __construct(
        public int $number,
        public string $text,
        public array $people,
        public array $groups,
    ) {}
}
