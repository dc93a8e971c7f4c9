<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Intake\Lists;

/** A line of a list with whom it means. */
final readonly class Line
{
    /** @param list<Label> $labels one for each who is named to be let in */
    public function __construct(public string $kind, public string $text, public array $labels) {}
}
