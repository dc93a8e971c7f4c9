<?php

declare(strict_types=1);

namespace MintDoor\Core\Intake;

/** How somebody said by hand that a list is to be read. */
final readonly class Hand
{
    /**
     * @param array<int, Column>      $columns what the list's columns hold, by cell
     * @param array<string, HandLine> $lines   by their text, trimmed, as `PastedText::clean()` has it
     */
    public function __construct(public array $columns = [], public array $lines = []) {}
}
