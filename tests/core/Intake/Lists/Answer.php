<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

/** What a reader says of a line, or of a part of it. */
final readonly class Answer
{
    /**
     * @param int          $line    its place in the list, from 0
     * @param string       $says    match, repeat, choose, unknown or nobody
     * @param list<string> $people  the one who is meant, or those who are offered
     */
    public function __construct(public int $line, public string $says, public array $people = []) {}

    public function taken(): ?string
    {
        return \in_array($this->says, ['match', 'repeat'], true) ? $this->people[0] ?? null : null;
    }
}
